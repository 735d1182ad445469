<script setup lang="ts">
/** Lies over a screen while files are dragged over it, and says what dropping them does. */
defineProps<{ words: string }>()
</script>

<template>
  <div class="drop" aria-hidden="true">
    <p>{{ words }}</p>
  </div>
</template>

<style scoped>
.drop {
  position: absolute;
  inset: 8px;
  z-index: 5;
  display: grid;
  place-content: center;
  border: 2px dashed var(--madder);
  border-radius: 10px;
  background: color-mix(in srgb, var(--madder-wash) 82%, transparent);
  font: 500 22px var(--serif);
  color: var(--madder);
  pointer-events: none;
  height: auto;
}
</style>
