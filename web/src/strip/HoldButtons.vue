<script setup lang="ts" generic="T extends string">
/** Which two of three are held; pressing the third takes hold of it. */
defineProps<{ options: readonly { readonly value: T; readonly words: string }[]; held: readonly T[] }>()
defineEmits<{ hold: [which: T] }>()
</script>

<template>
  <span class="note">Hold</span>
  <span class="held" role="group" aria-label="Hold two of three">
    <button
      v-for="{ value, words } in options"
      :key="value"
      type="button"
      :class="{ on: held.includes(value) }"
      :aria-pressed="held.includes(value)"
      @click="held.includes(value) || $emit('hold', value)"
    >
      {{ words }}
    </button>
  </span>
</template>

<style scoped>
.held {
  display: inline-flex;
  border: 1px solid var(--rule);
  border-radius: 7px;
  overflow: hidden;
}
button {
  border: 0;
  background: none;
  padding: 3px 11px;
  min-height: 24px;
  font-size: 12.5px;
  color: var(--soft);
  cursor: pointer;
}
.on {
  background: var(--madder-wash);
  color: var(--madder);
  font-weight: 600;
}
</style>
