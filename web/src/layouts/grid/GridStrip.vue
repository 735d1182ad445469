<script setup lang="ts">
import type { Grid } from '@hilera/core/layouts/grid/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { takeHold } from '@hilera/core/spacing/hold'
import { measures } from '@hilera/core/values/spacing'
import { formatLength } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ReadAs from '../../strip/ReadAs.vue'
import StripBand from '../../strip/StripBand.vue'
import StripHead from '../../strip/StripHead.vue'
import { type Grabbed, useStrip } from '../../strip/useStrip'

/** A grid has one band for each direction: its first row, its first column, its first stack. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate }>()
const document = useDocument()
const { unrolled, measureOr, pick, dragAlong, picked } = useStrip('bands', props)
const edits = useLayoutEdits('grid', () => props.pattern)

const grid = computed(() => props.pattern.layout as Grid)
const laid = computed(() => (props.outcome.laid?.kind === 'grid' ? props.outcome.laid : undefined))
const measure = measureOr(() => grid.value.across.measure)
const names = { along: 'Along', across: 'Across', deep: 'Deep', up: 'Up' }
const bands = computed(() => {
  const out = laid.value
  if (!unrolled.value || !out) return []
  return unrolled.value.bands.flatMap((band) => {
    if (band.key === 'along') return []
    const start = out.start[{ across: 0, up: 1, deep: 2 }[band.key]]
    const spacing = out[band.key]
    const [from, to] = props.outcome.stands[band.key] ?? [0, 0]
    return [
      {
        ...band,
        key: band.key,
        room: { low: start, high: start + spacing.room },
        run: formatLength(to - from, document.unit),
      },
    ]
  })
})

function grab(event: PointerEvent, axis: 'across' | 'deep' | 'up', { kind, index }: Grabbed, perMetre: number): void {
  const out = laid.value?.[axis]
  if (!out) return
  dragAlong(event, edits.name(axis), perMetre, (metres, whole) =>
    edits.recipe((g) => {
      if (kind === 'end') takeHold(g[axis], 'room', whole(out.room + metres))
      else if (!Number.isNaN(out.spacing))
        takeHold(g[axis], 'spacing', whole(out.spacing + metres / (kind === 'copy' ? Math.max(index, 1) : 1)))
    }),
  )
}
</script>

<template>
  <StripHead :working="outcome.working">
    <ReadAs v-model="measure" :options="measures.map((value) => ({ value, label: value }))" />
  </StripHead>
  <div class="bands">
    <div v-for="band in bands" :key="band.key" class="row" :data-band="band.key">
      <span class="name">{{ names[band.key] }}</span>
      <StripBand
        :strip="band.strip"
        :table="outcome.table"
        :direction="band.direction"
        :room="band.room"
        :left="{ start: 0, end: 0 }"
        :measure="measure"
        :picked="picked"
        compact
        @grab="(event, what, perMetre) => grab(event, band.key, what, perMetre)"
        @pick="pick"
      />
      <span class="figure run">{{ band.run }}</span>
    </div>
  </div>
</template>

<style scoped>
.bands {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow-y: auto;
}
.row {
  flex: 1 1 0;
  min-height: 24px;
  display: flex;
  align-items: stretch;
  gap: 8px;
}
.name {
  width: 48px;
  align-self: center;
  font-size: 12px;
  font-weight: 600;
}
.run {
  align-self: center;
  min-width: 70px;
  color: var(--verdigris);
  font-weight: 600;
}
</style>
