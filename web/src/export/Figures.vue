<script setup lang="ts">
/** Figures with what each counts under it, in a row. */
defineProps<{ figures: readonly { readonly words: string; readonly figure: string }[] }>()
</script>

<template>
  <dl>
    <div v-for="f in figures" :key="f.words">
      <dt>{{ f.words }}</dt>
      <dd class="figure">{{ f.figure }}</dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 26px;
  margin: 14px 0;
}
dl div {
  display: flex;
  flex-direction: column-reverse;
}
dt {
  font-size: 11.5px;
  color: var(--soft);
}
dd {
  margin: 0;
  font-size: 19px;
}
</style>
