<script setup lang="ts">
import { ArrowDown, ArrowUp, X } from '@lucide/vue'
import { useView } from '../stores/view'

/** The ways to move and remove a sentence of a pattern; seen while it is pointed at or in focus, as is what it is about on the stage. */
defineProps<{ of: string; name: string; remove: string; first: boolean; last: boolean }>()
const view = useView()
const emit = defineEmits<{ shift: [by: -1 | 1]; remove: [] }>()
</script>

<template>
  <div
    class="frame"
    @pointerenter="view.read = of"
    @pointerleave="view.read = undefined"
    @focusin="view.read = of"
    @focusout="view.read = undefined"
  >
    <slot />
    <div class="tools">
      <button
        type="button"
        class="tool"
        :disabled="first"
        :aria-label="`${name} earlier`"
        title="Earlier"
        @click="emit('shift', -1)"
      >
        <ArrowUp :size="13" />
      </button>
      <button
        type="button"
        class="tool"
        :disabled="last"
        :aria-label="`${name} later`"
        title="Later"
        @click="emit('shift', 1)"
      >
        <ArrowDown :size="13" />
      </button>
      <button type="button" class="tool" :aria-label="remove" title="Remove" @click="emit('remove')">
        <X :size="13" />
      </button>
    </div>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
}
.tools {
  position: absolute;
  /* Over the rule between two sentences, so that no word lies under them. */
  top: -12px;
  right: -6px;
  z-index: 1;
  display: flex;
  opacity: 0;
  background: var(--card);
  border-radius: 6px;
}
.frame:hover .tools,
.frame:focus-within .tools {
  opacity: 1;
}
</style>
