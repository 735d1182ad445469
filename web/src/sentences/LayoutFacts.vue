<script setup lang="ts">
import type { PatternUpdate } from '../worker/messages'
import Words from './Words.vue'

/** What follows from a layout, or why nothing is placed. */
defineProps<{ outcome: PatternUpdate | undefined }>()
</script>

<template>
  <span v-if="outcome?.problem" class="wrong" role="alert"><Words :sentence="outcome.problem.says" /></span>
  <Words v-else-if="outcome" :sentence="outcome.facts" />
</template>

<style scoped>
.wrong {
  color: var(--vermilion);
}
</style>
