<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLength, formatNumber, formatQuantity } from '@hilera/core/numbers/format'
import { plural, type Sentence } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import ProgressBar from 'primevue/progressbar'
import { useToast } from 'primevue/usetoast'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { type Proof, sheets, useProofs } from '../proofs/proofs'
import { usePictureSheet } from '../proofs/pictureSheet'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import PlainNumber from '../proofs/PlainNumber.vue'
import SideBySide, { type Side } from '../stage/SideBySide.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import type { PatternUpdate } from '../worker/messages'

/** Variants of one pattern as a contact sheet: drawn from the real scene with one camera, each with its figures. */
const document = useDocument()
const outcomes = useOutcomes()
const proofs = useProofs()
const toast = useToast()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const sheet = usePictureSheet(() => canvas.value)
const comparing = ref<readonly number[]>([])
const picking = ref(false)
const enlarged = shallowRef<Proof>()

const countOptions = sheets.map((n) => ({ value: String(n), words: String(n) }))
const patternOptions = computed(() => proofs.patterns.map((p) => ({ value: p.id, words: p.name })))
const channelOptions = computed(() => proofs.channels.map((c) => ({ value: c.key, words: c.words })))
const orderOptions = [
  { value: 'overlaps' as const, words: 'fewest overlaps first' },
  { value: 'given' as const, words: 'in order' },
]
const isWhole = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 0 && n <= 0xffffffff ? undefined : ['Type a whole number from 0.']
const isStep = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 1 && n <= 1_000_000 ? undefined : ['Type a whole number from 1.']
const check = computed(() => (proofs.channel?.seed ? isWhole : undefined))

function draw(): void {
  sheet.frame(proofs.pattern?.id)
  void proofs.draw((updates, pattern) => sheet.picture(updates, pattern))
}
onMounted(() => {
  proofs.begin()
})
watch(
  () => [outcomes.settled, proofs.pattern?.id, proofs.channel?.key] as const,
  ([settled, id, key], before) => {
    if (!settled) return
    if (before && (id !== before[1] || key !== before[2])) proofs.begin()
    draw()
  },
  { immediate: true, flush: 'post' },
)
watch(() => [proofs.count, proofs.from, proofs.by, proofs.to], draw)
onBeforeUnmount(() => {
  proofs.stop()
  sheet.dispose()
})

const shown = (value: number): string =>
  proofs.channel ? formatQuantity(value, proofs.channel.quantity, document.unit) : ''
const what = computed(() => (proofs.channel?.seed ? 'seed' : (proofs.channel?.words ?? '').replace(/^the /, '')))
function take(proof: Proof): void {
  if (!picking.value) return void (proofs.chosen = proofs.chosen === proof.value ? undefined : proof.value)
  comparing.value = [...comparing.value.filter((v) => v !== proof.value), proof.value].slice(-2)
}
const chosen = computed(() => proofs.proofs.find((p) => p.value === proofs.chosen))
function use(): void {
  if (!chosen.value) return
  const value = shown(chosen.value.value)
  proofs.use(chosen.value)
  toast.add({
    severity: 'success',
    summary: `${what.value} ${value} is taken`,
    detail: 'One step of undo.',
    life: 4000,
  })
}
async function trySeeds(): Promise<void> {
  const { pattern, channel } = proofs
  if (!pattern || !channel?.seed) return
  const found = await proofs.trySeeds(pattern, channel)
  if (!found) return
  const better = found.after < found.before
  toast.add({
    severity: better ? 'success' : 'info',
    summary: better ? `Seed ${found.value}: ${found.after} instead of ${found.before} overlaps` : 'No seed is better',
    detail: better ? 'One step of undo.' : `Of those tried none has fewer than ${found.before}.`,
    life: 6000,
  })
}
const slotOf = (proof: Proof): string => `v${proof.value}`
/** A variant in the whole document, to look at it live. */
function sideOf(proof: Proof): Side {
  const replaced = new Map(proof.updates.map((u) => [u.id, u]))
  return {
    key: slotOf(proof),
    label: `${what.value} ${shown(proof.value)}`,
    project: {
      ...document.project,
      patterns: document.project.patterns.map((p) => (p.id === proof.pattern.id ? proof.pattern : p)),
    },
    updates: outcomes.patterns.map((u): PatternUpdate => replaced.get(u.id) ?? u),
    framed: proof.pattern.id,
  }
}
const pair = computed(() =>
  comparing.value.length === 2
    ? comparing.value.flatMap((value) => proofs.proofs.find((p) => p.value === value) ?? [])
    : [],
)
function setPattern(id: Pattern['id']): void {
  proofs.patternId = id
  proofs.channelKey = ''
}
const gapText = (n: number): string => (Number.isFinite(n) ? formatLength(n, document.unit) : 'none near')
</script>

<template>
  <div class="screen">
    <header>
      <p v-if="proofs.pattern && proofs.channel" class="sentence">
        Show
        <ChoiceValue
          label="How many"
          :value="String(proofs.count)"
          :options="countOptions"
          @pick="(n: string) => (proofs.count = Number(n))"
        />
        of
        <ChoiceValue label="Pattern" :value="proofs.pattern.id" :options="patternOptions" @pick="setPattern" />,
        changing
        <ChoiceValue
          label="What changes"
          :value="proofs.channel.key"
          :options="channelOptions"
          @pick="(key: string) => (proofs.channelKey = key)"
        />
        from
        <PlainNumber v-model="proofs.from" label="From" :quantity="proofs.channel.quantity" :check="check" /><template
          v-if="proofs.channel.seed"
          >{{ ' by ' }}<PlainNumber v-model="proofs.by" label="By" quantity="count" :check="isStep" /></template
        ><template v-else
          >{{ ' to ' }}<PlainNumber v-model="proofs.to" label="To" :quantity="proofs.channel.quantity" /></template
        >,
        <ChoiceValue
          label="Order"
          :value="proofs.order"
          :options="orderOptions"
          @pick="(o: 'overlaps' | 'given') => (proofs.order = o)"
        />.
      </p>
      <div v-if="proofs.pattern" class="tools">
        <span class="note" role="status"
          ><span class="figure">{{ proofs.proofs.length }}</span> of
          <span class="figure">{{ proofs.values.length }}</span> drawn</span
        >
        <ProgressBar
          :value="Math.round((100 * proofs.proofs.length) / Math.max(proofs.values.length, 1))"
          :show-value="false"
          aria-label="Variants drawn"
          class="bar"
        />
        <Button
          v-if="proofs.running"
          label="Stop"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="proofs.stop()"
        />
        <Button
          v-else-if="proofs.channel?.seed"
          label="Try 30 seeds"
          title="Takes the one with the fewest overlaps, unless none is better"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="trySeeds"
        />
        <Button
          :label="picking ? 'Click two' : 'Compare two'"
          severity="secondary"
          variant="outlined"
          size="small"
          :aria-pressed="picking"
          @click="((picking = !picking), (comparing = []))"
        />
        <Button :label="`Use ${what}`" size="small" :disabled="!chosen" @click="use" />
      </div>
    </header>
    <p v-if="!proofs.pattern" class="empty">
      Nothing here is left to chance yet. Give a pattern a step <b>Vary</b>, deal its parts <b>at random</b>, or fill an
      area: then its variants stand here side by side.
    </p>
    <ol v-else class="sheet" :class="`of-${proofs.count}`">
      <li v-for="proof in proofs.sorted" :key="proof.value">
        <button
          type="button"
          class="proof"
          :class="{ chosen: proof.value === proofs.chosen, compared: comparing.includes(proof.value) }"
          :aria-pressed="proof.value === proofs.chosen"
          :aria-label="`${what} ${shown(proof.value)}, ${proof.figures.overlaps} overlaps`"
          @click="take(proof)"
          @dblclick="enlarged = proof"
        >
          <span class="picture">
            <img v-if="proof.picture" :src="proof.picture" alt="" />
            <span v-if="proof.value === proofs.chosen" class="mark">chosen</span>
          </span>
          <span class="figures">
            <span
              >{{ what }} <b class="figure">{{ shown(proof.value) }}</b></span
            >
            <span :class="{ wrong: proof.figures.overlaps > 0 }"
              ><span class="figure">{{ formatNumber(proof.figures.overlaps, 0) }}</span>
              {{ plural(proof.figures.overlaps, 'overlap', 'overlaps') }}</span
            >
            <span
              >nearest <b class="figure">{{ gapText(proof.figures.nearest) }}</b></span
            >
            <span class="last"
              >spread <b class="figure">{{ formatLength(proof.figures.spread, document.unit) }}</b></span
            >
          </span>
        </button>
        <button type="button" class="aside enlarge" @click="enlarged = proof">Enlarge</button>
      </li>
    </ol>
    <div class="drawing" aria-hidden="true"><canvas ref="canvas" width="720" height="360" /></div>
    <Dialog
      :visible="!!enlarged || pair.length === 2"
      modal
      :header="enlarged ? `${what} ${shown(enlarged.value)}` : 'Two side by side'"
      :style="{ width: '1120px', maxWidth: '96vw' }"
      @update:visible="(open: boolean) => !open && ((enlarged = undefined), (comparing = []))"
    >
      <SideBySide :sides="(enlarged ? [enlarged] : pair).map(sideOf)">
        <template v-for="p in enlarged ? [enlarged] : pair" :key="p.value" #[slotOf(p)]>
          <span
            >{{ what }} <b class="figure">{{ shown(p.value) }}</b>,
            <span class="figure">{{ formatNumber(p.figures.overlaps, 0) }}</span>
            {{ plural(p.figures.overlaps, 'overlap', 'overlaps') }}</span
          >
          <Button
            :label="`Use ${what}`"
            size="small"
            @click="((proofs.chosen = p.value), use(), (enlarged = undefined), (comparing = []))"
          />
        </template>
      </SideBySide>
    </Dialog>
  </div>
</template>

<style scoped>
.screen {
  position: relative;
  height: 100%;
  overflow: auto;
  padding: 14px 26px 20px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 6px 16px;
  margin-bottom: 12px;
}
.sentence {
  margin: 0;
  font: 19px/1.7 var(--serif);
}
.tools {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-left: auto;
}
.bar {
  width: 120px;
}
.sheet {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px 18px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.of-16 {
  grid-template-columns: repeat(4, minmax(0, 1fr));
}
.of-25 {
  grid-template-columns: repeat(5, minmax(0, 1fr));
}
li {
  position: relative;
}
.proof {
  display: block;
  width: 100%;
  padding: 7px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--card);
  text-align: left;
  cursor: pointer;
}
.proof:hover {
  border-color: var(--edge);
}
.proof.chosen {
  outline: 3px solid var(--madder);
  outline-offset: -1px;
}
.proof.compared {
  outline: 2px dashed var(--madder);
}
.picture {
  position: relative;
  display: block;
  aspect-ratio: 2;
  background: var(--stage);
  border-radius: 4px;
  overflow: hidden;
}
img {
  display: block;
  width: 100%;
  height: 100%;
  object-fit: cover;
}
.mark {
  position: absolute;
  top: 7px;
  right: 7px;
  padding: 2px 8px;
  border-radius: 10px;
  background: var(--madder);
  color: var(--card);
  font-size: 11px;
  font-weight: 600;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  padding: 6px 3px 0;
  font-size: 12px;
  color: var(--soft);
}
.figures b {
  color: var(--ink);
  font-weight: 600;
}
.last {
  margin-left: auto;
}
.wrong {
  color: var(--vermilion);
}
.enlarge {
  position: absolute;
  left: 14px;
  top: 10px;
  padding: 0 6px;
  border-radius: 5px;
  background: var(--card);
  opacity: 0;
}
li:hover .enlarge,
.enlarge:focus-visible {
  opacity: 1;
}
.empty {
  max-width: 520px;
  margin: 80px auto;
  font: 18px/1.6 var(--serif);
  color: var(--soft);
}
.drawing {
  position: absolute;
  width: 0;
  height: 0;
  overflow: hidden;
}
</style>
