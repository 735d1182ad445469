<script setup lang="ts">
import { useOutcomes } from '../stores/outcomes'
import type { Pattern } from '@hilera/core/model/pattern'
import type { PatternUpdate } from '../worker/messages'
import Facts from './Facts.vue'
import Words from './Words.vue'

/** What follows from a layout, or why nothing is placed. */
defineProps<{ outcome: PatternUpdate | undefined; pattern?: Pattern }>()
const outcomes = useOutcomes()
</script>

<template>
  <span v-if="outcome?.problem" class="wrong" role="alert"><Words :sentence="outcome.problem.says" /></span>
  <Facts v-else-if="outcome" :facts="outcomes.factsOf(outcome)" />
</template>

<style scoped>
.wrong {
  color: var(--vermilion);
}
</style>
