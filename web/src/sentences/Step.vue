<script setup lang="ts">
/** One numbered sentence of a pattern, with the facts that follow from it. */
defineProps<{ number?: number }>()
</script>

<template>
  <section class="step">
    <span class="number figure">{{ number ?? '' }}</span>
    <div>
      <p class="sentence"><slot /></p>
      <p v-if="$slots.facts" class="facts note"><slot name="facts" /></p>
      <slot name="after" />
    </div>
  </section>
</template>

<style scoped>
.step {
  display: grid;
  grid-template-columns: 18px 1fr;
  gap: 8px;
  padding: 11px 0 12px;
  border-top: 1px solid var(--rule);
}
.number {
  color: var(--faint);
  font-size: 11px;
  padding-top: 6px;
}
.sentence {
  margin: 0;
  font: 16.5px/1.75 var(--serif);
}
.facts {
  margin: 3px 0 0;
  line-height: 1.6;
}
</style>
