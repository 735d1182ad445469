<script setup lang="ts">
import { formatNumber } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import { useDocument } from '../stores/document'

/** The steps that are known, the newest first; a click goes there, and those after it can be done again. */
const document = useDocument()
/** So many are listed about where one is; thousands would only be scrolled. */
const AROUND = 60
const before = computed(() => {
  if (document.openedAt === 0) return 'As it was opened'
  return document.first > 0 ? 'As it was before; older steps are not kept' : 'As it was before all of these'
})
const rows = computed(() => {
  const { steps, stepsDone } = document
  const first = Math.max(0, stepsDone - AROUND)
  const last = Math.min(steps.length, stepsDone + AROUND)
  const all = Array.from({ length: last - first + 1 }, (_, i) => first + i)
  return all.reverse().map((count) => ({ count, words: count === 0 ? before.value : steps[count - 1] }))
})
const left = computed(() => document.steps.length + 1 - rows.value.length)
</script>

<template>
  <section class="history" aria-labelledby="history-head">
    <h2 id="history-head">History</h2>
    <p v-if="document.steps.length === 0" class="note">
      Every step is listed here, to go back to; they are kept with the project.
    </p>
    <ol v-else>
      <li v-for="row in rows" :key="row.count">
        <button
          type="button"
          :class="{ undone: row.count > document.stepsDone }"
          :aria-current="row.count === document.stepsDone ? 'step' : undefined"
          @click="document.goTo(row.count)"
        >
          <span class="figure">{{ formatNumber(document.first + row.count, 0) }}</span>
          <span
            >{{ row.words
            }}<span v-if="row.count > 0 && row.count === document.openedAt" class="note">, as it was opened</span></span
          >
        </button>
      </li>
    </ol>
    <p v-if="left > 0" class="note">
      <span class="figure">{{ formatNumber(left, 0) }}</span> more are farther away; go towards them to see them.
    </p>
  </section>
</template>

<style scoped>
.history {
  margin-top: 22px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}
h2 {
  margin: 0 0 6px;
  font: 500 17px/1.3 var(--serif);
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: flex;
  gap: 9px;
  width: 100%;
  min-height: 26px;
  padding: 4px 8px;
  border: 0;
  border-radius: 6px;
  background: none;
  text-align: left;
  cursor: pointer;
}
button:hover {
  background: var(--madder-wash);
}
.figure {
  flex: none;
  min-width: 22px;
  text-align: right;
  color: var(--faint);
}
.undone {
  color: var(--faint);
}
[aria-current] {
  background: var(--madder-wash);
  color: var(--madder);
  font-weight: 600;
}
</style>
