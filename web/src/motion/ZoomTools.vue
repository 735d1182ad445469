<script setup lang="ts">
import { ZoomIn, ZoomOut } from '@lucide/vue'
import { CLOSER } from './timeSpan'

/** How closely the time strip looks at the time. */
defineProps<{ closer: boolean }>()
const emit = defineEmits<{ look: [by: number]; all: [] }>()
</script>

<template>
  <span class="zoom" role="group" aria-label="How much of the time is shown">
    <button
      type="button"
      class="tool"
      aria-label="Less closely"
      :title="closer ? 'Less closely (−)' : 'All of it is shown'"
      :disabled="!closer"
      @click="emit('look', 1 / CLOSER)"
    >
      <ZoomOut :size="15" />
    </button>
    <button
      type="button"
      class="tool"
      aria-label="More closely"
      title="More closely (+), about the moment; the wheel does it about the pointer"
      @click="emit('look', CLOSER)"
    >
      <ZoomIn :size="15" />
    </button>
    <button
      type="button"
      class="aside"
      :disabled="!closer"
      :title="closer ? undefined : 'All of it is shown'"
      @click="emit('all')"
    >
      all of it
    </button>
  </span>
</template>

<style scoped>
.zoom {
  display: flex;
  align-items: center;
  gap: 2px;
}
.zoom .aside:disabled {
  opacity: 0.45;
}
</style>
