<script setup lang="ts" generic="T extends string">
import SelectButton from 'primevue/selectbutton'

/** In which measure the figures of a strip are read. */
defineProps<{ options: readonly { readonly value: T; readonly label: string }[] }>()
const measure = defineModel<T>({ required: true })
</script>

<template>
  <SelectButton
    v-model="measure"
    :options="[...options]"
    option-label="label"
    option-value="value"
    :allow-empty="false"
    aria-label="Read the strip as"
  />
</template>
