<script setup lang="ts">
import { slotKeyOf } from '@hilera/core/instances'
import type { Line } from '@hilera/core/model/layout'
import type { Pattern } from '@hilera/core/model/pattern'
import { takeHold } from '@hilera/core/spacing/hold'
import { type Measure, measures } from '@hilera/core/spacing/measure'
import { type Held, triple } from '@hilera/core/spacing/solve'
import SelectButton from 'primevue/selectbutton'
import { computed } from 'vue'
import { useCopyEdits } from '../patterns/copyEdits'
import { useDragGesture } from '../patterns/dragGesture'
import { type LinePattern, useLineEdits } from '../patterns/lineEdits'
import { nudgeStep } from '../sentences/steps'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'
import HoldButtons from './HoldButtons.vue'
import StripBand from './StripBand.vue'
import StripHead from './StripHead.vue'

/** A line lies flat: its gaps can be dragged, its copies, and its end. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const outcomes = useOutcomes()
const selection = useSelection()
const view = useView()
const copyEdits = useCopyEdits()
const edits = useLineEdits(() => props.pattern as LinePattern)
const drag = useDragGesture()

const line = computed(() => props.pattern.layout as Line)
const spacing = computed(() => (props.outcome.laid?.kind === 'line' ? props.outcome.laid : undefined))
const strip = computed(() => {
  const unrolled = outcomes.strip?.id === props.pattern.id ? outcomes.strip.strip : undefined
  return unrolled?.kind === 'bands' ? unrolled.bands[0]?.strip : undefined
})
const amounts = computed(() => line.value.direction.kind === 'amounts')
const measure = computed<Measure>({
  get: () => view.stripMeasure ?? (amounts.value ? 'pitch' : line.value.measure),
  set: (value) => void (view.stripMeasure = value),
})
const holdOptions = computed(() =>
  triple.map((value) => ({ value, words: value === 'spacing' ? line.value.measure : value })),
)
const options = measures.map((value) => ({ value, label: value }))
const left = computed(() => {
  const out = spacing.value
  if (!out || out.leftover <= 0 || out.lastBay) return { start: 0, end: 0 }
  const share = { start: [1, 0], both: [0.5, 0.5], end: [0, 1], widen: [0, 0], tighten: [0, 0], extra: [0, 0] }[
    line.value.leftover
  ]
  return { start: share[0] * out.leftover, end: share[1] * out.leftover }
})

function hold(which: Held): void {
  const now = edits.answer()
  if (!now || line.value.hold.includes(which)) return
  const value =
    which === 'count'
      ? now.count
      : which === 'room'
        ? now.room
        : Number.isNaN(now.spacing)
          ? line.value.spacing
          : now.spacing
  document.change(
    `hold ${which} of ${props.pattern.name}`,
    edits.recipe((l) => takeHold(l, which, value)),
  )
}

function grab(event: PointerEvent, what: { kind: 'copy' | 'gap' | 'end'; index: number }, perMetre: number): void {
  const base = edits.answer()
  if (!base || event.button !== 0) return
  const whole = (value: number, now: PointerEvent): number => {
    const step = nudgeStep('length', document.unit)
    return now.altKey ? value : Math.round(value / step) * step
  }
  const label =
    what.kind === 'end'
      ? `room of ${props.pattern.name}`
      : `${amounts.value ? 'step' : line.value.measure} of ${props.pattern.name}`
  const edit = (metres: number, now: PointerEvent): Recipe | undefined => {
    if (what.kind === 'end') return edits.recipe((l) => takeHold(l, 'room', whole(base.room + metres, now)))
    if (what.kind === 'gap') {
      if (amounts.value)
        return edits.recipe(edits.spacingThatPuts(1, whole(base.at(1) - base.at(0) + metres, now), base))
      return edits.recipe((l) => takeHold(l, 'spacing', whole(base.spacing + metres, now)))
    }
    if (what.index === 0) return undefined
    return edits.recipe(edits.spacingThatPuts(what.index, base.at(what.index) - base.at(0) + metres, base))
  }
  drag(event, label, (now, gesture) => {
    const recipe = edit((now.clientX - event.clientX) / perMetre, now)
    if (recipe) gesture.update(recipe)
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
      :options="options"
      option-label="label"
      option-value="value"
      :allow-empty="false"
      aria-label="Read the strip as"
    />
    <HoldButtons v-if="!amounts" :options="holdOptions" :held="line.hold" @hold="hold" />
  </StripHead>
  <StripBand
    v-if="strip && spacing"
    :strip="strip"
    :table="outcome.table"
    :direction="spacing.direction"
    :room="{ low: 0, high: spacing.room }"
    :left="left"
    :measure="measure"
    :picked="copyEdits.row.value"
    @grab="grab"
    @pick="pick"
  />
</template>
