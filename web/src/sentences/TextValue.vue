<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'

/** A few words in a sentence, typed in place: Enter accepts, Esc leaves them as they were. */
const props = defineProps<{
  text: string
  label: string
  /** It is changed in another way than by typing. */
  asks?: () => void
  /** It is only said. */
  fixed?: boolean
}>()
const emit = defineEmits<{ change: [text: string] }>()
const typing = ref<string>()
const field = useTemplateRef<HTMLInputElement>('field')

function open(): void {
  if (props.asks) return props.asks()
  typing.value = props.text
  void nextTick(() => field.value?.select())
}
function accept(): void {
  const text = typing.value
  typing.value = undefined
  if (text?.trim() && text !== props.text) emit('change', text.slice(0, 200))
}
</script>

<template>
  <input
    v-if="typing !== undefined"
    ref="field"
    v-model="typing"
    :aria-label="label"
    maxlength="200"
    :style="{ width: `${Math.max(typing.length, 4) + 2}ch` }"
    @keydown.stop
    @keydown.enter="accept"
    @keydown.esc="typing = undefined"
    @blur="accept"
  /><span v-else-if="fixed" class="said">{{ text }}</span
  ><span
    v-else
    role="button"
    tabindex="0"
    class="value"
    :aria-label="`${label}: ${text}`"
    @click="open"
    @keydown.enter.prevent.stop="open"
    @keydown.space.prevent.stop="open"
    >{{ text }}</span
  >
</template>

<style scoped>
.said {
  font: 500 13px var(--sans);
}
.value {
  padding: 3px 4px;
  border-bottom: 2px solid var(--madder);
  background: var(--madder-wash);
  color: var(--madder);
  font: 600 13.5px var(--sans);
  border-radius: 4px 4px 0 0;
  cursor: text;
}
input {
  border: 1px solid var(--madder);
  border-radius: 4px;
  background: var(--card);
  font: 600 13.5px var(--sans);
  padding: 1px 4px;
}
</style>
