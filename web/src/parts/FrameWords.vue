<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { pivotSentence, sidesSentence } from '@hilera/core/parts/frameSentence'
import { boundsOfPart } from '@hilera/core/parts/support'
import { bind } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import type { Template } from '@hilera/core/sentences/nodes'
import { computed, provide } from 'vue'
import { ASK, type SentenceEdits } from '../sentences/edits'
import SentenceItems from '../sentences/SentenceItems.vue'
import { useRefusal } from '../shell/refusal'
import { useDocument } from '../stores/document'
import { usePartSentence } from './partSentence'
import { copiesStay, usePivotEdits } from './pivotEdits'

/** How a shape stands in its part: its pivot, and which of its sides are top and front. */
const props = defineProps<{ part: Part }>()
const emit = defineEmits<{ pick: [] }>()
const document = useDocument()
const refuse = useRefusal('Not moved')
const pivot = usePivotEdits(
  () => props.part,
  ({ says }) => refuse(says),
)
/** Edits of the part whose refusals are told, in the document or as its pivot is moved. */
function told(changing = pivot.changing): SentenceEdits<Part> {
  const edits = usePartSentence(() => props.part)
  const change: SentenceEdits<Part>['change'] = async (undo, edit) => {
    const problem = await changing.change(edits.name(undo), edits.recipe(edit))
    refuse(problem?.says)
    return problem
  }
  return { ...edits, changing, change }
}
const pivotEdits = told()
const sidesEdits = told(document)

const bound = (template: Template<Part>) =>
  bind(
    template,
    { root: props.part, into: (p: Part) => p },
    { knows: knowledge, project: document.project, unit: document.unit },
  )
const pivotItems = computed(() => {
  const box = boundsOfPart({ ...props.part, frame: undefined }, document.source)
  return bound(pivotSentence(box, copiesStay.value ? 'stay' : 'follow'))
})
const sidesItems = computed(() => bound(sidesSentence))
provide(ASK, ({ asks, value }) => {
  if (asks === 'point on part') emit('pick')
  else copiesStay.value = value === 'stay'
})

/** As it was made. Where it is turned too, its copies turn with it. */
function putBack(): void {
  const { up, front } = props.part.frame ?? {}
  const isTurned = up !== 'top' || front !== 'front'
  void (isTurned ? sidesEdits : pivotEdits).change('pivot and axes', (part) => void delete part.frame)
}
</script>

<template>
  <p class="part-sentence">
    <SentenceItems :items="pivotItems" :edits="pivotEdits" /><SentenceItems :items="sidesItems" :edits="sidesEdits" />
    <button v-if="part.frame" type="button" class="aside" @click="putBack">Put back</button>
  </p>
</template>
