<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { bind } from '@hilera/core/sentences/bind'
import { type Step as AnyStep, stepDefinitionOf } from '@hilera/core/steps/index'
import { computed } from 'vue'
import SharedNote from '../groups/SharedNote.vue'
import { spread } from '../groups/shared'
import { usePatternSentence } from '../patterns/patternSentence'
import BegunNote from '../sentences/BegunNote.vue'
import Facts from '../sentences/Facts.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import StepTools from '../sentences/StepTools.vue'
import { useSurroundings } from '../sentences/around'
import { useAsking } from '../sentences/asking'
import type { SentenceEdits } from '../sentences/edits'
import { useDocument } from '../stores/document'
import type { PatternUpdate } from '../worker/messages'
import { stepViewOf } from './registry'
import { nameOfStep, useStepEdits } from './stepEdits'

/** A step: its sentence, what came of it, and the ways to move and remove it. */
const props = defineProps<{ pattern: Pattern; step: AnyStep; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const steps = useStepEdits()
const at = computed(() => steps.place(props.pattern, props.step))
const name = computed(() => nameOfStep(props.step))
const around = useSurroundings(
  () => props.pattern,
  () => props.outcome,
)
const own = (p: Pattern): AnyStep => p.steps.find((s) => s.id === props.step.id)!
const plain = usePatternSentence(
  () => props.pattern,
  (found) => found.steps.some((s) => s.id === props.step.id),
  () => name.value.toLowerCase(),
)
/** What is changed of a step that several share is changed in all of them. */
const edits: SentenceEdits<Pattern> = {
  ...plain,
  recipe: (edit) => spread(props.pattern, plain.recipe(edit)),
  change: (undo, edit) => document.change(plain.name(undo), edits.recipe(edit)),
}
const begin = (fresh: AnyStep): void =>
  void edits.change('neutral values', (p) => void p.steps.splice(p.steps.indexOf(own(p)), 1, fresh))
const items = computed(() =>
  bind(
    stepDefinitionOf(props.step).sentence,
    { root: props.pattern, into: (p: Pattern) => (p === props.pattern ? props.step : own(p)) },
    around.value,
  ),
)
const facts = computed(() => props.outcome?.stepFacts[props.step.id])
const after = computed(() => stepViewOf(props.step).after)
useAsking(
  () => props.pattern,
  () => props.step,
)
</script>

<template>
  <StepTools
    :of="step.id"
    :name="name"
    :remove="`Remove the step ${name.toLowerCase()}`"
    :first="at.first"
    :last="at.last"
    @shift="(by) => steps.shift(pattern, step, by)"
    @remove="steps.remove(pattern, step)"
  >
    <Step :number="number" :name="`${pattern.id} ${step.id}`">
      <SentenceItems :items="items" :edits="edits" />
      <template #after>
        <BegunNote :own="step" @reset="(fresh) => begin(fresh as AnyStep)" />
        <component :is="after" v-if="after" :pattern="pattern" :step="step" :outcome="outcome" />
        <SharedNote :pattern="pattern" of="steps" :own="step.id" :name="name.toLowerCase()" />
      </template>
      <template v-if="facts" #facts><Facts :facts="facts" /></template>
    </Step>
  </StepTools>
</template>
