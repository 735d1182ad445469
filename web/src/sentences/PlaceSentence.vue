<script setup lang="ts">
import { placeSentence } from '@hilera/core/model/sentence'
import type { Pattern } from '@hilera/core/model/pattern'
import { bind } from '@hilera/core/sentences/bind'
import { computed } from 'vue'
import { useDrawEdits } from '../patterns/drawEdits'
import { usePatternSentence } from '../patterns/patternSentence'
import { useSurroundings } from './around'
import SentenceItems from './SentenceItems.vue'
import Step from './Step.vue'

/** Where a pattern's own axes lie, in figures: everything that its pins do by dragging. */
const props = defineProps<{ pattern: Pattern; number: number }>()
const draw = useDrawEdits()
const around = useSurroundings(
  () => props.pattern,
  () => undefined,
)
const edits = usePatternSentence(
  () => props.pattern,
  () => true,
)
const items = computed(() => bind(placeSentence, { root: props.pattern, into: (p: Pattern) => p }, around.value))
</script>

<template>
  <Step :number="number" :name="`${pattern.id} place`">
    <SentenceItems :items="items" :edits="edits" />
    <template #after
      ><button type="button" class="aside" @click="draw.placeOrigin(pattern)">
        Pick its start on the stage
      </button></template
    >
  </Step>
</template>
