<script setup lang="ts">
import { computed, inject, onBeforeUnmount, ref } from 'vue'
import { QUIET } from './quiet'

/** A part of a sentence that is not said while it says nothing: while its value is neutral and the sentence is not opened. */
const props = defineProps<{ neutral: boolean }>()
const sentence = inject(QUIET, undefined)
if (sentence) onBeforeUnmount(sentence.add(() => props.neutral))
/** What is being edited stays where it is, also when it has just become neutral. */
const held = ref(false)
const shown = computed(() => !props.neutral || held.value || !sentence || sentence.isOpen.value)
</script>

<template>
  <span v-if="shown" :class="{ quiet: neutral }" @focusin="held = true" @focusout="held = false"><slot /></span>
</template>

<style scoped>
.quiet,
.quiet :deep(.value.free),
.quiet :deep(.choice) {
  color: var(--soft);
}
</style>
