<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import type { Variation } from '@hilera/core/values/variation'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import { startVariation } from '@hilera/core/steps/vary/start'
import VaryValues from '../steps/vary/VaryValues.vue'
import { usePartEdits } from './partEdits'

/** How every copy of a part varies by itself, wherever it stands; a pattern may do without. */
const props = defineProps<{ part: Part }>()
const edits = usePartEdits()
const list = computed(() => props.part.variation ?? [])
const undo = computed(() => `variation of ${props.part.name}`)
const recipe = (i: number) => (edit: (v: Variation) => void) =>
  edits.recipe(props.part.id, (p) => {
    const found = p.variation?.[i]
    if (found) edit(found)
  })
const add = (): void =>
  void edits.change(props.part, 'variation', (p) =>
    (p.variation ??= []).push(startVariation('turnUp', list.value.length + 1)),
  )
const drop = (at: number): void =>
  void edits.change(props.part, 'variation', (p) => {
    p.variation?.splice(at, 1)
    if (p.variation?.length === 0) delete p.variation
  })
</script>

<template>
  <details class="more" :open="list.length > 0">
    <summary>Variation of its own, {{ list.length }}</summary>
    <p v-for="(variation, i) in list" :key="i" class="part-sentence">
      By itself vary <VaryValues :variation="variation" :undo="undo" :recipe="recipe(i)" />.
      <button type="button" class="tool" :aria-label="`Remove variation ${i + 1}`" title="Remove" @click="drop(i)">
        <X :size="14" />
      </button>
    </p>
    <button type="button" class="aside" @click="add">Let its copies vary</button>
  </details>
</template>
