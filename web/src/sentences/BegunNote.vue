<script setup lang="ts">
import { computed } from 'vue'
import { freshOf } from '../patterns/lasting'

/** Under a step or a layout that began as the last one of its kind was left: says so, and begins it without. */
const props = defineProps<{ own: object }>()
const emit = defineEmits<{ reset: [fresh: object] }>()
const fresh = computed(() => freshOf(props.own))
</script>

<template>
  <p v-if="fresh" class="note">
    Begins as the last one was left.
    <button type="button" class="aside" @click="emit('reset', fresh)">Back to neutral</button>
  </p>
</template>

<style scoped>
.note {
  margin: 6px 0 0;
}
</style>
