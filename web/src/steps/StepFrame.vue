<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { type Step as AnyStep, setOf, stepDefinitionOf } from '@hilera/core/steps/index'
import { computed } from 'vue'
import { nameOfStep, useStepEdits } from './stepEdits'
import { useDocument } from '../stores/document'
import type { PatternUpdate } from '../worker/messages'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import Step from '../sentences/Step.vue'
import StepTools from '../sentences/StepTools.vue'
import Facts from '../sentences/Facts.vue'

/** A shaping step: its sentence, what came of it, and the ways to move and remove it. */
const props = defineProps<{ pattern: Pattern; step: AnyStep; outcome: PatternUpdate | undefined; number: number }>()
const edits = useStepEdits()
const at = computed(() => edits.place(props.pattern, props.step))
const name = computed(() => nameOfStep(props.step))
const document = useDocument()
const onlyOptions = computed(() => [
  { value: '', words: 'all copies' },
  ...document.project.sets.map((set) => ({ value: set.id, words: set.name })),
])
/** Whether a step can keep to a saved selection: all that shape copies can. */
const keeps = (step: AnyStep): step is Extract<AnyStep, { only?: string | undefined }> =>
  stepDefinitionOf(step).phase === 'shape'
const setOnly = (id: string): void =>
  void document.change(
    edits.label(props.pattern, props.step),
    edits.anyRecipe(props.pattern, props.step.id, (s) => {
      if (!keeps(s)) return
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
    :first="at.first"
    :last="at.last"
    @shift="(by) => edits.shift(pattern, step, by)"
    @remove="edits.remove(pattern, step)"
  >
    <Step :number="number" :name="`${pattern.id} ${step.id}`">
      <slot />
      <template v-if="document.project.sets.length > 0 && keeps(step)">
        Keep to
        <ChoiceValue
          label="Copies that the step reaches"
          :value="setOf(step) ?? ''"
          :options="onlyOptions"
          @pick="setOnly"
        />.
      </template>
      <template v-if="$slots.after" #after><slot name="after" /></template>
      <template v-if="facts" #facts><Facts :facts="facts" /></template>
    </Step>
  </StepTools>
</template>
