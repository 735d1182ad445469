<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'

/** Other parts that a deal may give in this one's place: small and large, open and closed. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const edits = usePartEdits()
const variants = computed(() => props.part.variants ?? [])
const nameOf = (id: string): string => document.project.parts.find((p) => p.id === id)?.name ?? '?'
const options = computed(() => [
  { value: '', words: 'Add a variant' },
  ...document.project.parts
    .filter((p) => p.id !== props.part.id && !variants.value.includes(p.id))
    .map((p) => ({ value: p.id, words: p.name })),
])
const change = (edit: (list: string[]) => void): void =>
  void edits.change(props.part, 'variants', (p) => {
    const list = [...(p.variants ?? [])]
    edit(list)
    if (list.length > 0) p.variants = list
    else delete p.variants
  })
</script>

<template>
  <details class="more" :open="variants.length > 0">
    <summary>Variants, {{ variants.length }}</summary>
    <p class="note">A pattern that deals this part can give these in its place: say so in its deal.</p>
    <ul>
      <li v-for="(id, i) in variants" :key="id">
        {{ nameOf(id) }}
        <button
          type="button"
          class="tool"
          :aria-label="`Take the variant ${nameOf(id)} out`"
          title="Take out"
          @click="change((list) => void list.splice(i, 1))"
        >
          <X :size="14" />
        </button>
      </li>
    </ul>
    <ChoiceValue
      label="Variant to add"
      value=""
      :options="options"
      @pick="(id: string) => id && change((list) => void list.push(id))"
    />
  </details>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  justify-content: space-between;
}
</style>
