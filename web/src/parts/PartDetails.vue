<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { partMesh } from '@hilera/core/parts/partMesh'
import { meshBytes } from '@hilera/core/writers/glb/size'
import { formatLength, formatNumber } from '@hilera/core/numbers/format'
import { boundsOfPart } from '@hilera/core/parts/support'
import { plural } from '@hilera/core/words'
import Button from 'primevue/button'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { bytesText } from '../export/bytesText'
import { useSwapDialog } from '../links/swapDialog'
import NameField from '../shell/NameField.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import FrameWords from './FrameWords.vue'
import LookWords from './LookWords.vue'
import { useReadAgain } from './readAgain'
import PartHand from './PartHand.vue'
import PartMembers from './PartMembers.vue'
import PartPoints from './PartPoints.vue'
import PartSplit from './PartSplit.vue'
import PartProfile from './PartProfile.vue'
import PartClearance from './PartClearance.vue'
import PartVariation from './PartVariation.vue'
import PartVariants from './PartVariants.vue'
import ShapeWords from './ShapeWords.vue'
import { usePartEdits } from './partEdits'
import { usePartUses } from './partUses'
import { useSplitting } from './splitting'

/** A part in full: what it is, how it looks and stands, and where it is used. */
const props = defineProps<{ part: Part }>()
const emit = defineEmits<{ pickPivot: [] }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const router = useRouter()
const edits = usePartEdits()
const partUses = usePartUses()
const swap = useSwapDialog()
const splitting = useSplitting()

const mesh = computed(() => partMesh(props.part, document.source))
const size = computed(() => {
  const { low, high } = boundsOfPart(props.part, document.source)
  return low.map((n, i) => formatLength(high[i] - n, document.unit)).join(' × ')
})
/** Where its copies stand, pattern by pattern. */
const uses = computed(() => partUses.usesOf(props.part.id))
const copies = computed(() => uses.value.reduce((n, { own, inside }) => n + own + inside, 0))
const inVariants = computed(() => partUses.variantsOf(props.part.id))
const copiesInside = computed(() => uses.value.reduce((n, { inside }) => n + inside, 0))
const nameOf = (id: string): string => document.project.patterns.find((p) => p.id === id)?.name ?? ''
/** Copies that stand in its mirror image, those inside assemblies too. */
const twins = computed(() =>
  outcomes.patterns.reduce(
    (n, p) =>
      n +
      p.batches.reduce((m, b) => m + (b.twin && outcomes.things[b.part]?.id === props.part.id ? b.rows.length : 0), 0),
    0,
  ),
)
const inside = computed(() =>
  document.project.parts.filter(
    (p) => p.shape.kind === 'assembly' && p.shape.members.some((m) => m.part === props.part.id),
  ),
)
const keptBy = computed(() => edits.keptBy(props.part.id))
const setLocked = (locked: boolean): void =>
  void edits.change(props.part, locked ? 'lock' : 'unlock', (p) => {
    if (locked) p.locked = true
    else delete p.locked
  })
const rename = (name: string): void => void edits.change(props.part, 'name', (p) => void (p.name = name))

/** Goes to the stage with all of its copies picked. */
function showAll(only?: string): void {
  const chosen = uses.value.map((u) => u.pattern).filter((id) => only === undefined || id === only)
  selection.pickCopies(new Map(chosen.map((id) => [id, new Set(partUses.keysOf(props.part.id, id))])))
  void router.push({ name: 'arrange', params: { id: document.id } })
}
function swapEverywhere(): void {
  swap.open('everywhere', props.part.id)
  void router.push({ name: 'arrange', params: { id: document.id } })
}
function note(event: Event): void {
  const text = (event.target as HTMLTextAreaElement).value.slice(0, 4000)
  if (text === (props.part.notes ?? '')) return
  edits.change(props.part, 'notes', (p) => {
    if (text) p.notes = text
    else delete p.notes
  })
}
const readAgain = useReadAgain()
</script>

<template>
  <div class="details">
    <h2><NameField :name="part.name" label="Name of the part" @rename="rename" /></h2>
    <p class="note facts">
      <span class="figure">{{ size }}</span><template
        v-if="mesh && part.shape.kind !== 'light' && part.shape.kind !== 'placeholder'"
        >{{ ' · ' }}<span class="figure">{{ formatNumber(mesh.indices.length / 3, 0) }}</span> triangles ·
        <span class="figure">{{ bytesText(meshBytes(mesh)) }}</span></template
      >
    </p>
    <ShapeWords :part="part" />
    <PartProfile :part="part" />
    <PartMembers :part="part" />
    <LookWords :part="part" />
    <FrameWords :part="part" @pick="emit('pickPivot')" />
    <PartHand :part="part" />
    <PartPoints :part="part" />
    <PartVariation :part="part" />
    <PartClearance :part="part" />
    <PartVariants :part="part" />
    <label class="notes"
      ><span class="note">Notes</span
      ><textarea rows="2" :value="part.notes ?? ''" @keydown.stop @change="note"></textarea>
    </label>
    <section class="uses" aria-label="Where it is used">
      <p class="sentence">
        Used by <span class="figure">{{ formatNumber(copies, 0) }}</span> in
        <span class="figure">{{ uses.length }}</span> {{ plural(uses.length, 'pattern', 'patterns')
        }}<template v-if="copiesInside > 0"
          >, <span class="figure">{{ formatNumber(copiesInside, 0) }}</span> of them inside others</template
        ><template v-if="twins > 0"
          >, <span class="figure">{{ formatNumber(twins, 0) }}</span> of them as its twin (L)</template
        ><template v-if="inVariants > 0"
          >; its variants by <span class="figure">{{ formatNumber(inVariants, 0) }}</span></template
        >.
        <button v-if="copies > 0" type="button" class="aside" @click="showAll()">Show them</button>
      </p>
      <ul>
        <li v-for="{ pattern, own, inside: within } in uses" :key="pattern">
          <button type="button" class="aside" @click="showAll(pattern)">{{ nameOf(pattern) }}</button>
          <span class="figure">{{ formatNumber(own + within, 0) }}</span>
        </li>
        <li v-for="a in inside" :key="a.id">
          <button type="button" class="aside" @click="selection.pickPart(a.id)">inside {{ a.name }}</button>
        </li>
      </ul>
    </section>
    <PartSplit v-if="splitting.partId === part.id" :part="part" />
    <div class="row">
      <Button
        v-if="part.shape.kind === 'mesh' && splitting.partId !== part.id"
        label="Split into parts…"
        severity="secondary"
        variant="outlined"
        size="small"
        title="By what hangs together, by looks, or by faces: its copies stay as they are, and are made of parts from then on"
        @click="splitting.begin(part.id)"
      />
      <Button
        v-if="part.shape.kind === 'mesh'"
        label="Read its file again…"
        severity="secondary"
        variant="outlined"
        size="small"
        title="As it is now, or another one in its place: pivot, looks, links and touch-ups stay"
        @click="readAgain(part)"
      />
      <Button
        label="Swap everywhere…"
        severity="secondary"
        variant="outlined"
        size="small"
        :disabled="copies === 0"
        @click="swapEverywhere"
      />
      <Button
        v-if="part.shape.kind !== 'twin' && part.shape.kind !== 'light' && part.shape.kind !== 'placeholder'"
        label="Make its twin"
        severity="secondary"
        variant="outlined"
        size="small"
        title="Its mirror image, linked to it"
        @click="edits.addTwin(part)"
      />
      <Button
        :label="part.locked ? 'Unlock' : 'Lock'"
        severity="secondary"
        variant="outlined"
        size="small"
        :title="part.locked ? 'Its copies can be moved again' : 'Its copies are not moved any more'"
        @click="setLocked(!part.locked)"
      />
      <Button
        label="Remove"
        severity="secondary"
        variant="text"
        size="small"
        :disabled="!!keptBy"
        :title="keptBy"
        @click="edits.remove(part)"
      />
    </div>
  </div>
</template>

<style scoped>
h2 {
  font-size: 22px;
  padding: 0 4px;
  margin: 0 -4px;
  overflow: hidden;
}
.facts {
  margin: 2px 0 8px;
}
.notes {
  display: grid;
  gap: 3px;
  margin: 8px 0;
}
textarea {
  width: 100%;
  padding: 6px 8px;
  border: 1px solid var(--edge);
  border-radius: 7px;
  background: var(--paper);
  resize: vertical;
}
.uses {
  border-top: 1px solid var(--rule);
  margin-top: 10px;
  padding-top: 6px;
}
.sentence {
  margin: 0 0 4px;
  font: 15.5px/1.8 var(--serif);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 150px;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 10px;
}
</style>
