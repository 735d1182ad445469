<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Vec3 } from '@hilera/core/model/values'
import { formatNumber } from '@hilera/core/numbers/format'
import { Plus, X } from '@lucide/vue'
import { useLayoutEdits } from '../patterns/layoutEdits'
import NumberValue from './NumberValue.vue'

/** The points of a curve in figures: typed, added and deleted. */
const props = defineProps<{ pattern: Pattern; points: readonly Vec3[] }>()
const edits = useLayoutEdits('path', () => props.pattern)

const inPoints = (edit: (points: Vec3[]) => void) =>
  edits.recipe((p) => {
    if (p.curve.kind === 'points') edit(p.curve.points)
  })
const change = (edit: (points: Vec3[]) => void): void =>
  void edits.change('curve', (p) => {
    if (p.curve.kind === 'points') edit(p.curve.points)
  })
const set = (i: number, axis: number) => (value: number) => inPoints((points) => void (points[i][axis] = value))
/** Half-way to the next point, or as far beyond the last as it is from the one before. */
const add = (i: number): void =>
  change((points) => {
    const [a, b] = i + 1 < points.length ? [points[i], points[i + 1]] : [points[i], points[i].map((n, k) => 2 * n - points[i - 1][k])]
    points.splice(i + 1, 0, (i + 1 < points.length ? a.map((n, k) => (n + b[k]) / 2) : b) as Vec3)
  })
const drop = (i: number): void => change((points) => void points.splice(i, 1))
</script>

<template>
  <details>
    <summary>Points, across, up and deep</summary>
    <div v-for="(point, i) in points" :key="i" class="point">
      <span class="figure n">{{ formatNumber(i + 1, 0) }}</span>
      <NumberValue v-for="(name, axis) in ['across', 'up', 'deep']" :key="name" :value="point[axis]" quantity="length" state="free" :label="`Point ${i + 1} ${name}`" :undo="edits.name('curve')" :edit="set(i, axis)" />
      <button type="button" :aria-label="`Add a point after ${i + 1}`" title="Add a point after it" @click="add(i)"><Plus :size="14" /></button>
      <button type="button" :disabled="points.length <= 2" :aria-label="`Delete point ${i + 1}`" title="Delete it" @click="drop(i)"><X :size="14" /></button>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font: 12px var(--sans);
  color: var(--soft);
  min-height: 24px;
}
.point {
  display: flex;
  align-items: center;
  gap: 4px;
}
.n {
  min-width: 18px;
  color: var(--faint);
}
button {
  display: grid;
  place-content: center;
  width: 24px;
  height: 24px;
  border: 0;
  background: none;
  color: var(--soft);
  cursor: pointer;
}
button:disabled {
  opacity: 0.4;
}
</style>
