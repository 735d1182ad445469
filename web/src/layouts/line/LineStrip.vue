<script setup lang="ts">
import type { Line } from '@hilera/core/layouts/line/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { takeHold } from '@hilera/core/spacing/hold'
import { measures } from '@hilera/core/values/spacing'
import { type Held, triple } from '@hilera/core/values/spacing'
import { computed } from 'vue'
import { laidOf } from '../index'
import { useLayoutEdits } from '../layoutEdits'
import { spacingBy } from './spacingEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import HoldButtons from '../../strip/HoldButtons.vue'
import ReadAs from '../../strip/ReadAs.vue'
import StripBand from '../../strip/StripBand.vue'
import StripHead from '../../strip/StripHead.vue'
import { type Grabbed, useStrip } from '../../strip/useStrip'

/** A line lies flat: its gaps can be dragged, its copies, and its end. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const { unrolled, measureOr, pick, dragAlong, picked } = useStrip('bands', props)
const edits = useLayoutEdits('line', () => props.pattern)

const line = computed(() => props.pattern.layout as Line)
const spacing = computed(() => laidOf('line', props.outcome))
const strip = computed(() => unrolled.value?.bands[0]?.strip)
const amounts = computed(() => line.value.direction.kind === 'amounts')
const measure = measureOr(() => (amounts.value ? 'pitch' : line.value.measure))
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
  const now = spacing.value
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

function grab(event: PointerEvent, { kind, index }: Grabbed, perMetre: number): void {
  const base = spacing.value
  if (!base || (kind === 'copy' && index === 0)) return
  const label = kind === 'end' ? 'room' : amounts.value ? 'step' : line.value.measure
  dragAlong(event, `${label} of ${props.pattern.name}`, perMetre, (metres, whole) => {
    if (kind === 'end') return edits.recipe((l) => takeHold(l, 'room', whole(base.room + metres)))
    if (kind === 'copy') return edits.recipe(spacingBy(base, index, metres))
    const pitch = base.readAs?.pitch ?? 0
    if (amounts.value) return edits.recipe(spacingBy(base, 1, whole(pitch + metres) - pitch))
    return edits.recipe((l) => takeHold(l, 'spacing', whole(base.spacing + metres)))
  })
}
</script>

<template>
  <StripHead :working="outcome.working">
    <ReadAs v-model="measure" :options="options" />
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
    :picked="picked"
    @grab="grab"
    @pick="pick"
  />
</template>
