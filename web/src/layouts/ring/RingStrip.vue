<script setup lang="ts">
import { type Ring, type RingHeld, type RingMeasure, ringMeasures, ringTriple } from '@hilera/core/layouts/ring/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { formatLengthBare } from '@hilera/core/numbers/format'
import type { Vec3 } from '@hilera/core/values/values'
import { computed, ref } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import { angleRuler } from './angleRuler'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import HoldButtons from '../../strip/HoldButtons.vue'
import ReadAs from '../../strip/ReadAs.vue'
import StripBand from '../../strip/StripBand.vue'
import StripHead from '../../strip/StripHead.vue'
import { type Grabbed, useStrip } from '../../strip/useStrip'

/** A ring is cut open at its start: degrees on the ruler, real distances above. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const { unrolled: open, pick, dragAlong, picked } = useStrip('ring', props)
const edits = useLayoutEdits('ring', () => props.pattern)

const ring = computed(() => props.pattern.layout as Ring)
const laid = computed(() => (props.outcome.laid?.kind === 'ring' ? props.outcome.laid : undefined))
const chosen = ref<RingMeasure>()
const measure = computed<RingMeasure>({
  get: () => chosen.value ?? ring.value.measure,
  set: (value) => void (chosen.value = value),
})
const words: Record<RingMeasure, string> = { arc: 'arc', chord: 'straight', gap: 'gap' }
const figures = computed(() =>
  open.value ? Array.from(open.value[measure.value], (n) => formatLengthBare(n, document.unit)) : [],
)
const holdOptions = computed(() =>
  ringTriple.map((value) => ({ value, words: value === 'spacing' ? words[ring.value.measure] : value })),
)

function hold(which: RingHeld): void {
  const now = laid.value
  if (!now) return
  edits.change(`hold ${which}`, (r) => {
    if (Number.isFinite(now[which])) r[which] = now[which]
    r.hold = [r.hold[1], which]
  })
}

/** A copy on a ring is seen from outside, along the way that the ring goes. */
function seen(row: number): { along: Vec3; above: Vec3 } {
  const { toZero, toQuarter, axis } = laid.value!
  const p = props.outcome.table.position.subarray(3 * row, 3 * row + 3)
  const on = (v: Vec3): number => p[0] * v[0] + p[1] * v[1] + p[2] * v[2]
  const angle = Math.atan2(on(toQuarter), on(toZero))
  const { sense } = ring.value
  const along = [0, 1, 2].map((i) => sense * (toQuarter[i] * Math.cos(angle) - toZero[i] * Math.sin(angle)))
  return { along: along as Vec3, above: axis }
}

const ruler = computed(() => angleRuler(laid.value?.radius ?? 0))

function grab(event: PointerEvent, { kind, index }: Grabbed, perMetre: number): void {
  const now = laid.value
  if (!now || (kind === 'copy' && index === 0) || Number.isNaN(now.spacing)) return
  // Dragging copies apart widens the ring: the count stays.
  dragAlong(event, edits.name('spacing'), perMetre, (metres, whole) =>
    edits.recipe((r) =>
      Object.assign(r, {
        spacing: whole(now.spacing + metres / (kind === 'copy' ? index : 1)),
        count: now.count,
        hold: ['count', 'spacing'],
      }),
    ),
  )
}
</script>

<template>
  <StripHead :working="outcome.working">
    <ReadAs v-model="measure" :options="ringMeasures.map((value) => ({ value, label: words[value] }))" />
    <HoldButtons :options="holdOptions" :held="ring.hold" @hold="hold" />
  </StripHead>
  <StripBand
    v-if="open && laid && open.strip.count > 0"
    :strip="open.strip"
    :table="outcome.table"
    :direction="laid.toZero"
    :room="{ low: 0, high: Math.max(open.length, 1e-6) }"
    :left="{ start: 0, end: 0 }"
    :measure="measure === 'gap' ? 'gap' : 'pitch'"
    :figures="figures"
    :seen="seen"
    :ruler="ruler"
    :picked="picked"
    @grab="grab"
    @pick="pick"
  />
</template>
