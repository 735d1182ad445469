<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import type { Exported } from '../worker/export.worker'
import { bytesText } from './bytesText'
import Facts from '../sentences/Facts.vue'
import Figures from './Figures.vue'

/** What was written, and what the validator says of it. */
const props = defineProps<{ result: Exported }>()
const errors = computed(() => props.result.verdict?.errors ?? 0)
const bad = computed(() => errors.value > 0)
const figures = computed(() => {
  const { verdict, report, bytes } = props.result
  return [
    ...(verdict
      ? [
          { words: plural(verdict.errors, 'error', 'errors'), figure: `${verdict.errors}` },
          { words: plural(verdict.warnings, 'warning', 'warnings'), figure: `${verdict.warnings}` },
        ]
      : []),
    { words: 'copies written', figure: formatNumber(report.copies, 0) },
    { words: 'written', figure: bytesText(bytes.length) },
  ]
})
</script>

<template>
  <section class="verdict" :class="{ bad }" aria-live="polite">
    <h2 v-if="result.verdict">{{ bad ? 'The validator found errors' : 'The validator found no error' }}</h2>
    <h2 v-else>It is written</h2>
    <Figures :figures="figures" />
    <p class="note">
      <Facts :facts="result.told" />.
      <template v-if="result.verdict">{{ result.verdict.judge }}. {{ result.verdict.besides }}</template>
    </p>
    <ul v-if="result.verdict?.says.length" class="messages">
      <li v-for="(line, i) in result.verdict.says.slice(0, 20)" :key="i">{{ line }}</li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 18px;
}
.verdict {
  padding: 16px 20px;
  border: 1px solid var(--verdigris);
  border-radius: 8px;
  background: var(--verdigris-wash);
  align-self: start;
}
.verdict.bad {
  border-color: var(--vermilion);
  background: var(--vermilion-wash);
}
.messages {
  padding-left: 18px;
  font-size: 12px;
}
</style>
