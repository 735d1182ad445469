<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Step as ShapingStep } from '@hilera/core/steps/index'
import { computed } from 'vue'
import { stepWords } from '../patterns/stepWords'
import { useStepEdits } from '../patterns/stepEdits'
import { useDocument } from '../stores/document'
import type { PatternUpdate } from '../worker/messages'
import ChoiceValue from './ChoiceValue.vue'
import Step from './Step.vue'
import StepTools from './StepTools.vue'
import Words from './Words.vue'

/** A shaping step: its sentence, what came of it, and the ways to move and remove it. */
const props = defineProps<{ pattern: Pattern; step: ShapingStep; outcome: PatternUpdate | undefined; number: number }>()
const edits = useStepEdits()
const at = computed(() => props.pattern.steps.findIndex((s) => s.id === props.step.id))
const name = computed(() => stepWords[props.step.kind].words)
const document = useDocument()
const onlyOptions = computed(() => [
  { value: '', words: 'all copies' },
  ...document.project.sets.map((set) => ({ value: set.id, words: set.name })),
])
const setOnly = (id: string): void =>
  void document.change(
    edits.label(props.pattern, props.step),
    edits.recipe(props.pattern, props.step.kind, props.step.id, (s) => {
      if (id) s.only = id
      else delete s.only
    }),
  )
const facts = computed(() => props.outcome?.stepFacts[props.step.id])
</script>

<template>
  <StepTools
    :of="step.id"
    :name="name"
    :remove="`Remove the step ${name.toLowerCase()}`"
    :first="at === 0"
    :last="at === pattern.steps.length - 1"
    @shift="(by) => edits.shift(pattern, step, by)"
    @remove="edits.remove(pattern, step)"
  >
    <Step :number="number">
      <slot />
      <template v-if="document.project.sets.length > 0">
        Keep to
        <ChoiceValue
          label="Copies that the step reaches"
          :value="step.only ?? ''"
          :options="onlyOptions"
          @pick="setOnly"
        />.
      </template>
      <template v-if="$slots.after" #after><slot name="after" /></template>
      <template v-if="facts" #facts><Words :sentence="facts" /></template>
    </Step>
  </StepTools>
</template>
