<script setup lang="ts">
import type { Sentence } from '@hilera/core/words'
import Words from '../sentences/Words.vue'

/** The line above a strip: its controls, and the sum by which something was worked out. */
defineProps<{ working?: Sentence }>()
</script>

<template>
  <header>
    <h2>Spacing strip</h2>
    <slot />
    <span class="working note"><Words v-if="working" :sentence="working" /></span>
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 28px;
  white-space: nowrap;
}
h2 {
  font: 600 13px var(--sans);
  letter-spacing: 0;
}
.working {
  flex: 1;
  text-align: right;
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
