<script setup lang="ts">
import Button from 'primevue/button'

/** In place of a picture that cannot be drawn: why, and the way to try again. */
defineProps<{ words: string }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <div class="none" role="alert">
    <p>{{ words }}</p>
    <Button label="Begin the picture again" @click="$emit('again')" />
  </div>
</template>

<style scoped>
.none {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 12px;
  /* Over the mark that a browser puts on what it has lost. */
  background: var(--stage);
}
p {
  max-width: 44ch;
  text-align: center;
}
</style>
