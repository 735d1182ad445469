<script setup lang="ts">
import type { LayoutKind } from '@hilera/core/layouts/index'
import { computed } from 'vue'
import { viewOf } from './index'

/** The small drawing of a layout, the same in lists, menus and on the empty stage. */
const props = defineProps<{ kind: LayoutKind; width?: number }>()
const drawing = computed(() => viewOf(props.kind).drawing)
const wide = computed(() => props.width ?? 72)
/** Small drawings have larger dots, so that they are still dots. */
const dot = computed(() => (wide.value < 40 ? 5.2 : 4))
</script>

<template>
  <svg :width="wide" :height="(wide * 40) / 72" viewBox="0 0 72 40" aria-hidden="true">
    <path v-if="drawing.line" :d="drawing.line" stroke="var(--madder)" stroke-width="1.5" stroke-dasharray="3 3" />
    <circle
      v-for="([x, y], i) in drawing.dots"
      :key="i"
      :cx="x"
      :cy="y"
      :r="dot"
      fill="var(--madder)"
      fill-opacity="0.8"
    />
    <circle
      v-for="([x, y], i) in drawing.small ?? []"
      :key="`s${i}`"
      :cx="x"
      :cy="y"
      :r="dot * 0.6"
      fill="var(--ochre)"
    />
  </svg>
</template>

<style scoped>
svg {
  flex: none;
  display: block;
}
path {
  fill: none;
}
</style>
