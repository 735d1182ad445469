<script setup lang="ts">
import { slotKeyOf } from '@hilera/core/instances'
import type { Path } from '@hilera/core/model/layout'
import type { Pattern } from '@hilera/core/model/pattern'
import { type Measure, measures } from '@hilera/core/spacing/measure'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { useDragGesture } from '../patterns/dragGesture'
import { useLayoutEdits } from '../patterns/layoutEdits'
import { nudgeStep } from '../sentences/steps'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'
import HoldButtons from './HoldButtons.vue'
import StripBand from './StripBand.vue'
import StripHead from './StripHead.vue'

/** A path is pulled straight in true length, its corners and contours marked. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const copyEdits = useCopyEdits()
const edits = useLayoutEdits('path', () => props.pattern)
const drag = useDragGesture()

const path = computed(() => props.pattern.layout as Path)
const laid = computed(() => (props.outcome.laid?.kind === 'path' ? props.outcome.laid : undefined))
const pulled = computed(() => {
  const unrolled = outcomes.strip?.id === props.pattern.id ? outcomes.strip.strip : undefined
  return unrolled?.kind === 'path' ? unrolled : undefined
})
const measure = computed<Measure>({
  get: () => view.stripMeasure ?? path.value.measure,
  set: (value) => void (view.stripMeasure = value),
})
const holdOptions = computed(() => [
  { value: 'count' as const, words: 'count' },
  { value: 'spacing' as const, words: path.value.way === 'length' ? path.value.measure : 'spacing' },
])
function hold(which: 'count' | 'spacing'): void {
  edits.change(`hold ${which}`, (p) => {
    const out = laid.value?.[which]
    if (out !== undefined && Number.isFinite(out)) p[which] = out
    p.hold = which
  })
}
function grab(event: PointerEvent, what: { kind: 'copy' | 'gap' | 'end'; index: number }, perMetre: number): void {
  const now = laid.value
  if (
    !now ||
    event.button !== 0 ||
    what.kind === 'end' ||
    (what.kind === 'copy' && what.index === 0) ||
    Number.isNaN(now.spacing)
  )
    return
  drag(event, edits.name('spacing'), (at, gesture) => {
    const step = at.altKey ? 1e-6 : nudgeStep('length', document.unit)
    const metres = (at.clientX - event.clientX) / perMetre / (what.kind === 'copy' ? what.index : 1)
    const spacing = Math.round((now.spacing + metres) / step) / Math.round(1 / step)
    gesture.update(edits.recipe((p) => Object.assign(p, { spacing, hold: 'spacing' })))
  })
}
function pick(row: number): void {
  const { slotLow, slotHigh } = props.outcome.table
  selection.pickCopy(props.pattern.id, slotKeyOf(slotLow[row], slotHigh[row]))
}
</script>

<template>
  <StripHead :working="outcome.working">
    <SelectButton
      v-model="measure"
      :options="measures.map((value) => ({ value, label: value }))"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      aria-label="Read the strip as"
    />
    <HoldButtons :options="holdOptions" :held="[path.hold]" @hold="hold" />
  </StripHead>
  <StripBand
    v-if="pulled && pulled.strip.count > 0"
    :strip="pulled.strip"
    :table="outcome.table"
    :direction="[0, 0, 1]"
    :room="{ low: 0, high: pulled.length }"
    :left="{ start: 0, end: 0 }"
    :measure="measure"
    turned
    :corners="pulled.corners"
    :breaks="pulled.breaks"
    :picked="copyEdits.row.value"
    @grab="grab"
    @pick="pick"
  />
</template>
