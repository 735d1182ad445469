<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { Plus, X } from '@lucide/vue'
import NumberValue from '../sentences/NumberValue.vue'
import type { Recipe } from '../stores/history'

/** Points in figures, one after another: typed, added and deleted. */
defineProps<{
  points: readonly (readonly number[])[]
  /** The axes of their numbers. */
  axes: readonly string[]
  /** "across, up and deep" */
  words: string
  /** How few there are at the least. */
  least: number
  undo: string
  edit: (i: number, axis: number) => (value: number) => Recipe
}>()
const emit = defineEmits<{ add: [i: number]; drop: [i: number] }>()
</script>

<template>
  <details>
    <summary>Points, {{ words }}</summary>
    <div v-for="(point, i) in points" :key="i" class="point">
      <span class="figure n">{{ formatNumber(i + 1, 0) }}</span>
      <NumberValue
        v-for="(name, axis) in axes"
        :key="name"
        :value="point[axis]"
        quantity="length"
        state="free"
        :label="`Point ${i + 1} ${name}`"
        :undo="undo"
        :edit="edit(i, axis)"
      />
      <button
        type="button"
        class="tool"
        :aria-label="`Add a point after ${i + 1}`"
        title="Add a point after it"
        @click="emit('add', i)"
      >
        <Plus :size="14" />
      </button>
      <button
        type="button"
        class="tool"
        :disabled="points.length <= least"
        :aria-label="`Delete point ${i + 1}`"
        title="Delete it"
        @click="emit('drop', i)"
      >
        <X :size="14" />
      </button>
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
</style>
