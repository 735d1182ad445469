<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'

/** A name that is changed in place: click or Enter to type, Enter accepts, Esc leaves it. */
const props = defineProps<{ name: string; label: string }>()
const emit = defineEmits<{ rename: [name: string] }>()
const text = ref<string>()
const field = useTemplateRef<HTMLInputElement>('field')

function open(): void {
  text.value = props.name
  void nextTick(() => field.value?.select())
}
function accept(): void {
  const name = text.value?.trim().slice(0, 80)
  text.value = undefined
  if (name && name !== props.name) emit('rename', name)
}
</script>

<template>
  <input
    v-if="text !== undefined"
    ref="field"
    v-model="text"
    :aria-label="label"
    maxlength="80"
    :style="{ width: `${Math.max(text.length, 8) + 1}ch` }"
    @keydown.stop
    @keydown.enter="accept"
    @keydown.esc="text = undefined"
    @blur="accept"
  />
  <button v-else type="button" :aria-label="`${label}: ${name}`" title="Click to rename" @click="open">
    {{ name }}
  </button>
</template>

<style scoped>
button,
input {
  font: inherit;
  letter-spacing: inherit;
  color: inherit;
  text-align: left;
  border: 0;
  padding: 2px 4px;
  margin: 0 -4px;
  border-radius: 4px;
  background: none;
  min-height: 24px;
  white-space: nowrap;
}
button {
  cursor: text;
}
button:hover {
  background: var(--madder-wash);
}
input {
  background: var(--card);
  outline: 1px solid var(--madder);
}
</style>
