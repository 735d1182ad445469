<script setup lang="ts">
import { formatNumber, formatQuantity } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import Dialog from 'primevue/dialog'
import ProgressBar from 'primevue/progressbar'
import { useToast } from 'primevue/usetoast'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import ProofCard from '../proofs/ProofCard.vue'
import type { Channel } from '../proofs/channels'
import { type Proof, useProofs } from '../proofs/proofs'
import ProofSentence from '../proofs/ProofSentence.vue'
import { usePictureSheet } from '../proofs/pictureSheet'
import SideBySide, { type ComparedSide } from '../stage/SideBySide.vue'
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
const comparing = ref<readonly string[]>([])
const picking = ref(false)
const enlarged = shallowRef<Proof>()

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
watch(() => [proofs.wish.count, proofs.wish.first, proofs.wish.second], draw)
onBeforeUnmount(() => {
  proofs.stop()
  sheet.dispose()
})

const channels = computed(() => [proofs.channel, proofs.across].filter((c) => c !== undefined))
const named = (channel: Channel): string => (channel.seed ? 'seed' : channel.words.replace(/^the /, ''))
const what = computed(() => channels.value.map(named).join(' and '))
/** A variant by its numbers: "seed 18", "gap 12 mm, radius 240 mm". */
const saying = ({ values }: Proof): { what: string; value: string }[] =>
  channels.value.map((c, i) => ({ what: named(c), value: formatQuantity(values[i], c.quantity, document.unit) }))
const shown = (proof: Proof): string =>
  saying(proof)
    .map((said) => `${said.what} ${said.value}`)
    .join(', ')
function take(proof: Proof): void {
  if (!picking.value) return void (proofs.chosen = proofs.chosen === proof.key ? undefined : proof.key)
  comparing.value = [...comparing.value.filter((key) => key !== proof.key), proof.key].slice(-2)
}
const chosen = computed(() => proofs.proofs.find((p) => p.key === proofs.chosen))
function use(): void {
  if (!chosen.value) return
  const taken = shown(chosen.value)
  proofs.use(chosen.value)
  toast.add({
    severity: 'success',
    summary: `${taken}: taken`,
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
/** As many columns as the first number takes on, where two are varied. */
const columns = computed(() =>
  proofs.across
    ? Math.max(new Set(proofs.values.map(([one]) => one)).size, 1)
    : Math.round(Math.sqrt(proofs.wish.count)),
)
const slotOf = (proof: Proof): string => `v${proof.key}`
/** A variant in the whole document, to look at it live. */
function sideOf(proof: Proof): ComparedSide {
  const replaced = new Map(proof.updates.map((u) => [u.id, u]))
  return {
    key: slotOf(proof),
    label: shown(proof),
    project: {
      ...document.project,
      patterns: document.project.patterns.map((p) => (p.id === proof.pattern.id ? proof.pattern : p)),
    },
    updates: outcomes.patterns.map((u): PatternUpdate => replaced.get(u.id) ?? u),
    framed: proof.pattern.id,
  }
}
const pair = computed(() =>
  comparing.value.length === 2 ? comparing.value.flatMap((key) => proofs.proofs.find((p) => p.key === key) ?? []) : [],
)
</script>

<template>
  <div class="screen">
    <header>
      <ProofSentence v-if="proofs.pattern && proofs.channel" :pattern="proofs.pattern" :channel="proofs.channel" />
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
          class="either"
          severity="secondary"
          variant="outlined"
          size="small"
          @click="proofs.stop()"
        />
        <Button
          v-else-if="proofs.channel?.seed"
          label="Try 30 seeds"
          class="either"
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
      There is no pattern yet whose numbers could be varied. Add one in Arrange: then nine of it stand here side by
      side, with another gap, radius, count or seed each.
    </p>
    <ol v-else class="sheet" :style="{ '--columns': columns }">
      <ProofCard
        v-for="proof in proofs.sorted"
        :key="proof.key"
        :proof="proof"
        :says="saying(proof)"
        :chosen="proof.key === proofs.chosen"
        :compared="comparing.includes(proof.key)"
        @take="take(proof)"
        @enlarge="enlarged = proof"
      />
    </ol>
    <div class="drawing" aria-hidden="true"><canvas ref="canvas" width="720" height="360" /></div>
    <Dialog
      :visible="!!enlarged || pair.length === 2"
      modal
      :header="enlarged ? shown(enlarged) : 'Two side by side'"
      :style="{ width: '1120px', maxWidth: '96vw' }"
      @update:visible="(open: boolean) => !open && ((enlarged = undefined), (comparing = []))"
    >
      <SideBySide :sides="(enlarged ? [enlarged] : pair).map(sideOf)">
        <template v-for="p in enlarged ? [enlarged] : pair" :key="p.key" #[slotOf(p)]>
          <span
            ><template v-for="said in saying(p)" :key="said.what"
              >{{ said.what }} <b class="figure">{{ said.value }}</b>,
            </template>
            <span class="figure">{{ formatNumber(p.figures.overlaps, 0) }}</span>
            {{ plural(p.figures.overlaps, 'overlap', 'overlaps') }}</span
          >
          <Button
            :label="`Use ${what}`"
            size="small"
            @click="((proofs.chosen = p.key), use(), (enlarged = undefined), (comparing = []))"
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
.tools {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-left: auto;
}
.bar {
  width: 120px;
}
/* One takes the place of the other: what stands beside them stays where it is. */
.either {
  width: 112px;
}
.sheet {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  gap: 14px 18px;
  margin: 0;
  padding: 0;
  list-style: none;
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
