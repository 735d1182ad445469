<script setup lang="ts">
import type { Fill } from '@hilera/core/layouts/fill/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { formatNumber } from '@hilera/core/numbers/format'
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import NumberValue from '../../sentences/NumberValue.vue'
import { useLayoutEdits } from '../layoutEdits'

/** The points of an outline in figures: typed, added and deleted. */
const props = defineProps<{ pattern: Pattern }>()
const edits = useLayoutEdits('fill', () => props.pattern)
const outline = computed(() => (props.pattern.layout as Fill).outline)
const points = computed(() => (outline.value.kind === 'polygon' ? outline.value.points : []))
const point = (i: number, axis: 0 | 1) => (value: number) =>
  edits.recipe((f) => {
    if (f.outline.kind === 'polygon') f.outline.points[i][axis] = value
  })
const addPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind !== 'polygon') return
    const [a, b] = [f.outline.points[i], f.outline.points[(i + 1) % f.outline.points.length]]
    f.outline.points.splice(i + 1, 0, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])
  })
const dropPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind === 'polygon' && f.outline.points.length > 3) f.outline.points.splice(i, 1)
  })
</script>

<template>
  <details v-if="points.length">
    <summary>Points, across and deep</summary>
    <div v-for="([x, z], i) in points" :key="i" class="point">
      <span class="figure n">{{ formatNumber(i + 1, 0) }}</span>
      <NumberValue
        :value="x"
        quantity="length"
        state="free"
        :label="`Point ${i + 1} across`"
        :undo="edits.name('outline')"
        :edit="point(i, 0)"
      />
      <NumberValue
        :value="z"
        quantity="length"
        state="free"
        :label="`Point ${i + 1} deep`"
        :undo="edits.name('outline')"
        :edit="point(i, 1)"
      />
      <button
        type="button"
        class="tool"
        :aria-label="`Add a point after ${i + 1}`"
        title="Add a point after it"
        @click="addPoint(i)"
      >
        <Plus :size="14" />
      </button>
      <button
        type="button"
        class="tool"
        :disabled="points.length <= 3"
        :aria-label="`Delete point ${i + 1}`"
        title="Delete it"
        @click="dropPoint(i)"
      >
        <X :size="14" />
      </button>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-size: 12px;
  color: var(--soft);
  min-height: 24px;
  margin-top: 4px;
}
.point {
  display: flex;
  align-items: center;
  gap: 6px;
}
.n {
  min-width: 20px;
  color: var(--faint);
}
</style>
