<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { bind } from '@hilera/core/sentences/bind'
import { variationWords } from '@hilera/core/values/variationSentence'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import { startVariation } from '@hilera/core/steps/vary/start'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'
import { usePartSentence } from './partSentence'

/** How every copy of a part varies by itself, wherever it stands; a pattern may do without. */
const props = defineProps<{ part: Part }>()
const edits = usePartEdits()
const list = computed(() => props.part.variation ?? [])
const document = useDocument()
const words = variationWords(() => false)
const own = usePartSentence(
  () => props.part,
  (found) => (found.variation?.length ?? 0) === list.value.length,
  () => 'variation',
)
const said = computed(() =>
  list.value.map((_, i) =>
    bind(
      words,
      { root: props.part, into: (p: Part) => p.variation![i] },
      { knows: knowledge, project: document.project, unit: document.unit },
    ),
  ),
)
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
    <p v-for="(items, i) in said" :key="i" class="part-sentence">
      By itself vary <SentenceItems :items="items" :edits="own" />.
      <button type="button" class="tool" :aria-label="`Remove variation ${i + 1}`" title="Remove" @click="drop(i)">
        <X :size="14" />
      </button>
    </p>
    <button type="button" class="aside" @click="add">Let its copies vary</button>
  </details>
</template>
