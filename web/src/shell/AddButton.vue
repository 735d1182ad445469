<script setup lang="ts">
/** The dashed button at the end of a list of sentences that takes one more. */
defineProps<{ words: string; keys?: string; menu?: boolean }>()
</script>

<template>
  <button type="button" class="add" :aria-haspopup="menu ? 'menu' : undefined">
    <span>{{ words }}</span><kbd v-if="keys">{{ keys }}</kbd>
  </button>
</template>

<style scoped>
.add {
  display: flex;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  margin-top: 12px;
  padding: 7px 10px;
  border: 1px dashed var(--edge);
  border-radius: 8px;
  background: none;
  color: var(--soft);
  text-align: left;
  cursor: pointer;
}
.add:hover {
  border-color: var(--madder);
  color: var(--madder);
}
</style>
