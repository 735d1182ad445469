<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Variation } from '@hilera/core/values/variation'
import type { Vary } from '@hilera/core/steps/vary/schema'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useStepEdits } from '../stepEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import DriverWords from './DriverWords.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import ReachWords from './ReachWords.vue'
import StepFrame from '../StepFrame.vue'
import VaryValues from './VaryValues.vue'

/** Chance that belongs to the copy: adding, removing and reordering copies changes nobody else; or what lies under it. */
const props = defineProps<{ pattern: Pattern; step: Vary; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useStepEdits()
const undo = computed(() => edits.label(props.pattern, props.step))
const recipe = (edit: (step: Vary) => void) => edits.recipe(props.pattern, 'vary', props.step.id, edit)
const share = (n: number): Sentence | undefined => (n >= 0 && n <= 1 ? undefined : ['Type a share from 0 to 100 %.'])
const whole = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 0 ? undefined : ['Type a whole number from 0.']
const reachOptions = [
  { value: 'share', words: 'each by its own chance' },
  { value: 'exactly', words: 'exactly so many', note: 'who they are then depends on who else is there' },
]
const setReach = (value: string): void =>
  void document.change(
    undo.value,
    recipe((s) => {
      if (value === 'exactly') s.exactly = Math.round((props.outcome?.table.count ?? 0) * s.share)
      else delete s.exactly
    }),
  )
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    Vary
    <Clause :neutral="step.exactly === undefined && step.share === 1"
      ><template v-if="step.exactly === undefined"
        ><NumberValue
          :value="step.share"
          quantity="share"
          label="Share of copies"
          :undo="undo"
          :check="share"
          :edit="(n) => recipe((s) => void (s.share = n))" /></template
      ><NumberValue
        v-else
        :value="step.exactly"
        quantity="count"
        label="Number of copies"
        :undo="undo"
        :check="whole"
        :edit="(n) => recipe((s) => void (s.exactly = n))"
      />
      of them,
      <ChoiceValue
        label="Which copies"
        :value="step.exactly === undefined ? 'share' : 'exactly'"
        :options="reachOptions"
        @pick="setReach"
      />: </Clause
    ><VaryValues
      :variation="step"
      :undo="undo"
      :recipe="(edit: (v: Variation) => void) => recipe(edit)"
      :pattern="pattern"
      :driven="step.by !== undefined"
    /><Clause :neutral="step.by === undefined"
      >, <DriverWords :pattern="pattern" :by="step.by" :outcome="outcome" :undo="undo" :recipe="recipe" /></Clause
    ><Clause :neutral="step.strength === 1"
      >, at
      <NumberValue
        :value="step.strength"
        quantity="share"
        state="free"
        label="Strength"
        :undo="undo"
        :check="share"
        :edit="(n) => recipe((s) => void (s.strength = n))"
      />
      of its strength</Clause
    ><Clause :neutral="step.reach === undefined"
      >{{ ' '
      }}<ReachWords :pattern="pattern" :reach="step.reach" :outcome="outcome" :undo="undo" :recipe="recipe" /></Clause
    >.
  </StepFrame>
</template>
