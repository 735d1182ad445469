<script setup lang="ts">
import { type Layout, definitionOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { bind } from '@hilera/core/sentences/bind'
import { computed } from 'vue'
import BegunNote from '../sentences/BegunNote.vue'
import LayoutFacts from '../sentences/LayoutFacts.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import { useSurroundings } from '../sentences/around'
import { useAsking } from '../sentences/asking'
import { isOpened } from '../sentences/quiet'
import type { PatternUpdate } from '../worker/messages'
import { usePatternSentence } from '../patterns/patternSentence'
import AskValue from './AskValue.vue'
import { viewOf } from './index'

/** How a pattern lays its copies out, what follows from that, and what goes with a layout of this kind. */
const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const around = useSurroundings(
  () => props.pattern,
  () => props.outcome,
)
const name = computed(() => `${props.pattern.id} layout`)
const kind = computed(() => props.pattern.layout.kind)
const edits = usePatternSentence(
  () => props.pattern,
  (found) => found.layout.kind === kind.value,
)
const items = computed(() =>
  bind(
    definitionOf(props.pattern.layout).sentence,
    { root: props.pattern, into: (p: Pattern) => p.layout },
    around.value,
  ),
)
const begin = (fresh: Layout): void => void edits.change('neutral values', (p) => void (p.layout = fresh))
useAsking(() => props.pattern)
</script>

<template>
  <Step :number="number" :name="name" :has-more="definitionOf(pattern.layout).wants !== undefined">
    <SentenceItems :key="kind" :items="items" :edits="edits" />
    <template #facts
      ><component :is="viewOf(kind).facts ?? LayoutFacts" :pattern="pattern" :outcome="outcome"
    /></template>
    <template #after>
      <BegunNote :own="pattern.layout" @reset="(fresh) => begin(fresh as Layout)" />
      <AskValue v-if="isOpened(name)" :pattern="pattern" :outcome="outcome" />
      <component :is="viewOf(kind).after" v-if="viewOf(kind).after" :pattern="pattern" :outcome="outcome" />
    </template>
  </Step>
</template>
