<script setup lang="ts">
/** A colour in a sentence: a swatch that opens the browser's own chooser. */
defineProps<{ color: string; label: string }>()
const emit = defineEmits<{ pick: [color: string] }>()
</script>

<template>
  <label class="swatch" :style="{ background: color }"
    ><span class="unseen">{{ label }}</span
    ><input type="color" :value="color" @change="emit('pick', ($event.target as HTMLInputElement).value)"
  /></label>
</template>

<style scoped>
.swatch {
  display: inline-block;
  position: relative;
  width: 34px;
  height: 24px;
  vertical-align: -6px;
  border: 1px solid var(--edge);
  border-radius: 5px;
  cursor: pointer;
}
.swatch:focus-within {
  outline: 2px solid var(--madder);
  outline-offset: 2px;
}
.swatch input {
  position: absolute;
  inset: 0;
  opacity: 0;
  width: 100%;
  height: 100%;
  cursor: pointer;
}
</style>
