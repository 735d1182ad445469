<script setup lang="ts">
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { measures } from '@hilera/core/values/spacing'
import { computed } from 'vue'
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

const path = computed(() => props.pattern.layout as Path)
const laid = computed(() => (props.outcome.laid?.kind === 'path' ? props.outcome.laid : undefined))
const measure = measureOr(() => path.value.measure)
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
    turned
    :corners="pulled.corners"
    :breaks="pulled.breaks"
    :picked="picked"
    @grab="grab"
    @pick="pick"
  />
</template>
