<script setup lang="ts">
import type { LedgerColumn } from '@hilera/core/ledger/columns'
import type { LedgerCopy } from '@hilera/core/ledger/ledger'
import { sentenceText } from '@hilera/core/numbers/format'
import { parseQuantity } from '@hilera/core/numbers/parse'
import type { Problem } from '@hilera/core/words'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useDocument } from '../stores/document'
import { cellText } from './ledger'

/** One value of the ledger; what can be typed is, in place, with sums and units. */
const props = defineProps<{
  copy: LedgerCopy
  column: LedgerColumn
  put: (to: number) => Promise<Problem | undefined>
}>()
const document = useDocument()
const text = computed(() => cellText(props.column.read(props.copy), props.column, document.unit))
const typed = ref<string>()
const problem = ref('')
const field = useTemplateRef<HTMLInputElement>('field')

async function begin(): Promise<void> {
  if (!props.column.placed) return
  typed.value = text.value
  problem.value = ''
  await nextTick()
  field.value?.select()
}
async function take(): Promise<void> {
  const { quantity } = props.column
  if (typed.value === undefined || !quantity) return
  if (typed.value === text.value) return void (typed.value = undefined)
  const read = parseQuantity(typed.value, quantity, document.unit)
  if (!read.ok) return void (problem.value = sentenceText(read.problem.says, document.unit))
  if (quantity === 'share' && read.value <= 0) return void (problem.value = 'Type more than 0 %.')
  const refused = await props.put(read.value)
  if (refused) return void (problem.value = sentenceText(refused.says, document.unit))
  typed.value = undefined
}
const leave = (): void => void (typed.value = undefined)
</script>

<template>
  <span v-if="typed !== undefined" class="typing">
    <input
      ref="field"
      v-model="typed"
      class="figure"
      :aria-label="column.words"
      :aria-invalid="problem !== ''"
      @keydown.enter.stop.prevent="take"
      @keydown.esc.stop="leave"
      @blur="leave"
      @click.stop
      @keydown.stop
    />
    <span v-if="problem" class="problem" role="alert">{{ problem }}</span>
  </span>
  <template v-else-if="column.key === 'marks'"
    ><span v-for="mark in copy.marks" :key="mark" class="mark">{{ mark === 'twin' ? 'L' : mark }}</span></template
  >
  <!-- No button: a click on it is one on its line, which picks the copy. -->
  <span
    v-else-if="column.placed"
    class="figure value"
    role="button"
    tabindex="0"
    :aria-label="`${column.words} ${text}`"
    @dblclick.stop="begin"
    @keydown.enter.stop.prevent="begin"
    >{{ text }}</span
  >
  <span v-else :class="{ figure: column.quantity }">{{ text }}</span>
</template>

<style scoped>
.value {
  cursor: text;
}
.typing {
  position: relative;
}
input {
  width: 84px;
  border: 1.5px solid var(--madder);
  border-radius: 4px;
  padding: 1px 4px;
  background: var(--card);
  color: var(--ink);
  text-align: right;
  font-size: inherit;
}
.problem {
  position: absolute;
  z-index: 2;
  top: 100%;
  right: 0;
  width: max-content;
  max-width: 260px;
  padding: 4px 8px;
  border-radius: 5px;
  background: var(--vermilion-wash);
  color: var(--vermilion);
  white-space: normal;
  text-align: left;
}
.mark {
  margin-right: 4px;
  padding: 1px 6px;
  border-radius: 4px;
  background: var(--madder-wash);
  color: var(--madder);
  font-size: 12px;
}
</style>
