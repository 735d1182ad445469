<script setup lang="ts">
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { measures } from '@hilera/core/values/spacing'
import { formatLengthBare } from '@hilera/core/numbers/format'
import { gridPlaceOf } from '@hilera/core/slots'
import type { Vec3 } from '@hilera/core/values/values'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import { useLayoutEdits } from '../layoutEdits'
import type { PatternUpdate } from '../../worker/messages'
import HoldButtons from '../../strip/HoldButtons.vue'
import ReadAs from '../../strip/ReadAs.vue'
import StripBand from '../../strip/StripBand.vue'
import StripHead from '../../strip/StripHead.vue'
import { type Grabbed, useStrip } from '../../strip/useStrip'

/** A path is pulled straight in true length, its corners and contours marked. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const { unrolled: pulled, measureOr, pick, dragAlong, picked } = useStrip('path', props)
const edits = useLayoutEdits('path', () => props.pattern)
const document = useDocument()

const path = computed(() => props.pattern.layout as Path)
const laid = computed(() => (props.outcome.laid?.kind === 'path' ? props.outcome.laid : undefined))
const measure = measureOr(() => path.value.measure)
/** From each copy to the next: along the path, clear between outlines; the last to the first where it closes. */
const figures = computed(() => {
  const { strip, pairs = [] } = pulled.value ?? {}
  if (!strip || measure.value === 'overall') return undefined
  // Strips that join touch: there is no distance to tell.
  if (path.value.join !== 'no') return Array.from({ length: strip.count }, () => '')
  const byRow = new Map(pairs.map((pair) => [`${pair.from} ${pair.to}`, pair]))
  const told = (from: number, to: number): string => {
    const pair = byRow.get(`${from} ${to}`)
    return pair ? formatLengthBare(measure.value === 'pitch' ? pair.pitch : pair.gap, document.unit) : ''
  }
  const list = Array.from({ length: Math.max(strip.count - 1, 0) }, (_, i) => told(strip.row[i], strip.row[i + 1]))
  const last = strip.count > 2 ? told(strip.row[strip.count - 1], strip.row[0]) : ''
  return last === '' ? list : [...list, last]
})
const seen = (row: number) => {
  const [k, contour] = gridPlaceOf(props.outcome.table.slotLow[row], props.outcome.table.slotHigh[row])
  const { contours = [], ways } = laid.value ?? {}
  const n = k + contours.slice(0, contour).reduce((sum, c) => sum + c.copies, 0)
  const [x, y, z] = ways?.subarray(3 * n, 3 * n + 3) ?? [0, 0, 1]
  // Up, square to the way; where the way leads straight up, what lies deep is seen as up.
  const flat = Math.hypot(x, z)
  const above: Vec3 = flat > 1e-6 ? [(-x * y) / flat, flat, (-z * y) / flat] : [0, 0, -1]
  return { along: [x, y, z] as Vec3, above }
}
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
function grab(event: PointerEvent, { kind, index }: Grabbed, perMetre: number): void {
  const now = laid.value
  if (!now || kind === 'end' || (kind === 'copy' && index === 0) || Number.isNaN(now.spacing)) return
  dragAlong(event, edits.name('spacing'), perMetre, (metres, whole) =>
    edits.recipe((p) =>
      Object.assign(p, { spacing: whole(now.spacing + metres / (kind === 'copy' ? index : 1)), hold: 'spacing' }),
    ),
  )
}
</script>

<template>
  <StripHead :working="outcome.working">
    <ReadAs v-model="measure" :options="measures.map((value) => ({ value, label: value }))" />
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
    :seen="seen"
    v-bind="figures && { figures }"
    :corners="pulled.corners"
    :breaks="pulled.breaks"
    :picked="picked"
    @grab="grab"
    @pick="pick"
  />
</template>
