<script setup lang="ts">
import { computed } from 'vue'
import type { Drawing } from './small'

const { drawing, width = 72 } = defineProps<{ drawing: Drawing; width?: number }>()
/** Small drawings have larger dots, so that they are still dots. */
const dot = computed(() => (width < 40 ? 5.2 : 4))
</script>

<template>
  <svg :width="width" :height="(width * 40) / 72" viewBox="0 0 72 40" aria-hidden="true">
    <path v-if="drawing.line" :d="drawing.line" class="line" />
    <path v-if="drawing.stroke" :d="drawing.stroke" :stroke-width="width < 40 ? 3 : 2" />
    <circle v-for="([x, y], i) in drawing.empty ?? []" :key="`e${i}`" :cx="x" :cy="y" :r="dot - 0.8" class="empty" />
    <circle v-for="([x, y, size = 1], i) in drawing.dots" :key="i" :cx="x" :cy="y" :r="dot * size" class="mark" />
    <circle v-for="([x, y], i) in drawing.small ?? []" :key="`s${i}`" :cx="x" :cy="y" :r="dot * 0.6" class="small" />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  display: block;
}
path,
.empty {
  fill: none;
  stroke: var(--madder);
}
path {
  stroke-linecap: round;
}
.line {
  stroke-width: 1.5;
  stroke-dasharray: 3 3;
}
.empty {
  stroke-width: 1.6;
  stroke-opacity: 0.6;
}
.mark {
  fill: var(--madder);
  fill-opacity: 0.8;
}
.small {
  fill: var(--ochre);
}
</style>
