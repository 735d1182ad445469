<script setup lang="ts">
import { Lasso, MousePointer, SquareDashed } from '@lucide/vue'
import { type Picker, useView } from '../stores/view'

/** How the pointer picks copies: one, by a rectangle, or by a free outline; and what an outline takes. */
const view = useView()
const pickers = [
  { value: 'one' as Picker, words: 'Pick one by one (Shift adds)', icon: MousePointer },
  { value: 'rectangle' as Picker, words: 'Pick by a rectangle (Shift adds, Alt takes away)', icon: SquareDashed },
  { value: 'outline' as Picker, words: 'Pick by a free outline (Shift adds, Alt takes away)', icon: Lasso },
]
</script>

<template>
  <span class="chip group" role="group" aria-label="Picking">
    <button
      v-for="p in pickers"
      :key="p.value"
      type="button"
      class="tool"
      :aria-pressed="view.picker === p.value"
      :aria-label="p.words"
      :title="p.words"
      @click="view.picker = p.value"
    >
      <component :is="p.icon" :size="15" />
    </button>
    <button
      v-if="view.picker !== 'one'"
      type="button"
      class="what"
      title="What an outline picks"
      @click="view.touching = !view.touching"
    >
      {{ view.touching ? 'what it touches' : 'what it encloses' }}
    </button>
  </span>
</template>

<style scoped>
.group {
  padding: 0 4px;
  gap: 0;
}
.tool[aria-pressed='true'] {
  background: var(--madder-wash);
  color: var(--madder);
}
.what {
  border: 0;
  background: none;
  padding: 3px 6px;
  min-height: 24px;
  font-size: 12px;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  color: var(--ink);
  cursor: pointer;
}
</style>
