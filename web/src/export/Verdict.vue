<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { computed } from 'vue'
import type { Exported } from '../worker/export.worker'
import { bytesText } from './bytesText'
import Figures from './Figures.vue'

/** What was written, and what the validator says of it. */
const props = defineProps<{ result: Exported }>()
const bad = computed(() => props.result.verdict.numErrors > 0)
const figures = computed(() => {
  const { verdict, report, bytes } = props.result
  return [
    { words: 'errors', figure: `${verdict.numErrors}` },
    { words: 'warnings', figure: `${verdict.numWarnings}` },
    { words: 'copies written', figure: formatNumber(report.copies, 0) },
    { words: 'written', figure: bytesText(bytes.length) },
  ]
})
</script>

<template>
  <section class="verdict" :class="{ bad }" aria-live="polite">
    <h2>{{ bad ? 'The validator found errors' : 'The validator found no error' }}</h2>
    <Figures :figures="figures" />
    <p class="note">
      <template v-if="result.report.style === 'linked'">Positions are exact to the double.</template>
      <template v-else
        >Positions are rounded to 32 bits, by
        <span class="figure">{{ formatNumber(result.report.rounding * 1000, 6) }} mm</span> at the most.</template
      >
      <template v-if="result.report.joinedMeshes"
        ><span class="figure">{{ formatNumber(result.report.joinedCopies, 0) }}</span> copies are joined into
        <span class="figure">{{ formatNumber(result.report.joinedMeshes, 0) }}</span>
        {{ plural(result.report.joinedMeshes, 'mesh', 'meshes') }} on their mirror planes.</template
      >
      Khronos glTF validator <span class="figure">{{ result.validatorVersion }}</span>.
      <template v-if="result.report.style === 'instanced'"
        >It does not look into instancing; equal counts and unit turns are checked here.</template
      >
    </p>
    <ul v-if="result.verdict.messages.length" class="messages">
      <li v-for="(m, i) in result.verdict.messages.slice(0, 20)" :key="i">
        <span class="figure">{{ m.code }}</span> {{ m.message }}
      </li>
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
