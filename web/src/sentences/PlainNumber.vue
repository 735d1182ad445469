<script setup lang="ts">
import { editText, formatQuantity } from '@hilera/core/numbers/format'
import { parseQuantity } from '@hilera/core/numbers/parse'
import type { Quantity } from '@hilera/core/numbers/units'
import type { Sentence } from '@hilera/core/words'
import { computed, nextTick, ref, useId } from 'vue'
import Words from './Words.vue'
import { useDocument } from '../stores/document'

/** A number that is looked at and typed, but is none of the document: sums and units as everywhere. */
const value = defineModel<number>({ required: true })
const props = defineProps<{
  label: string
  quantity: Quantity
  check?: ((value: number) => Sentence | undefined) | undefined
}>()
const document = useDocument()
const input = ref<HTMLInputElement>()
const button = ref<HTMLButtonElement>()
const text = ref<string>()
const problem = ref<Sentence>()
const errorId = useId()
const shown = computed(() => formatQuantity(value.value, props.quantity, document.unit))

function open(): void {
  text.value = editText(value.value, props.quantity, document.unit)
  problem.value = undefined
  void nextTick(() => input.value?.select())
}
function accept(): void {
  if (text.value === undefined) return
  const read = parseQuantity(text.value, props.quantity, document.unit)
  problem.value = read.ok ? props.check?.(read.value) : read.problem.says
  if (problem.value || !read.ok) return
  value.value = read.value
  text.value = undefined
  void nextTick(() => button.value?.focus())
}
function nudge(by: number): void {
  const next = props.quantity === 'count' ? value.value + by : value.value + by / 100
  if (!props.check?.(next)) value.value = next
}
</script>

<template>
  <span class="plain">
    <input
      v-if="text !== undefined"
      ref="input"
      v-model="text"
      :aria-label="label"
      :aria-invalid="!!problem"
      :aria-describedby="problem ? errorId : undefined"
      size="8"
      @keydown.enter.stop.prevent="accept"
      @keydown.esc.stop="text = undefined"
      @keydown.stop
      @blur="text = undefined"
    />
    <button
      v-else
      ref="button"
      type="button"
      class="figure"
      :aria-label="`${label}: ${shown}`"
      @click="open"
      @keydown.up.prevent="nudge(1)"
      @keydown.down.prevent="nudge(-1)"
    >
      {{ shown }}
    </button>
    <span v-if="problem" :id="errorId" class="problem" role="alert"><Words :sentence="problem" /></span>
  </span>
</template>

<style scoped>
.plain {
  position: relative;
}
button,
input {
  font: 600 14px var(--mono);
  padding: 2px 5px;
  min-height: 24px;
  border: 0;
  border-bottom: 2px solid var(--madder);
  background: var(--madder-wash);
  color: var(--madder);
  cursor: text;
}
.problem {
  position: absolute;
  z-index: 5;
  left: 0;
  top: 100%;
  width: 220px;
  padding: 6px 8px;
  border-radius: 6px;
  background: var(--vermilion-wash);
  color: var(--vermilion);
  font: 12px/1.4 var(--sans);
}
</style>
