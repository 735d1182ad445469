<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { partSentence } from '@hilera/core/parts/sentence'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { bind } from '@hilera/core/sentences/bind'
import { computed } from 'vue'
import { fontNames } from '../patterns/fonts'
import { useAsking } from '../sentences/asking'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'
import { usePartSentence } from './partSentence'

/** What a part is, told as a sentence with its numbers edited in place. */
const props = defineProps<{ part: Part }>()
const document = useDocument()
const selection = useSelection()
const kind = computed(() => props.part.shape.kind)
const edits = usePartSentence(
  () => props.part,
  (found) => found.shape.kind === kind.value,
)
const items = computed(() =>
  bind(
    partSentence(props.part),
    { root: props.part, into: (p: Part) => p },
    { knows: knowledge, project: document.project, unit: document.unit, fonts: fontNames() },
  ),
)
const mirrored = computed(() => {
  const { shape } = props.part
  return shape.kind === 'twin' ? document.project.parts.find((p) => p.id === shape.of) : undefined
})
useAsking()
</script>

<template>
  <p class="part-sentence">
    <template v-if="mirrored">
      The mirror image of
      <button type="button" class="link" @click="selection.pickPart(mirrored.id)">{{ mirrored.name }}</button>, made
      from it: what is changed there arrives here mirrored.
    </template>
    <SentenceItems v-else :key="kind" :items="items" :edits="edits" />
  </p>
</template>

<style scoped>
.link {
  border: 0;
  padding: 2px 0;
  background: none;
  font: 500 13.5px var(--sans);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  cursor: pointer;
}
.link:hover {
  color: var(--madder);
}
</style>
