<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Thin } from '@hilera/core/steps/thin/schema'
import { computed } from 'vue'
import { useStepEdits } from '../stepEdits'
import type { PatternUpdate } from '../../worker/messages'
import NumberValue from '../../sentences/NumberValue.vue'
import StepFrame from '../StepFrame.vue'

const props = defineProps<{ pattern: Pattern; step: Thin; outcome: PatternUpdate | undefined; number: number }>()
const edits = useStepEdits()
const set = (key: 'every' | 'from') => (value: number) =>
  edits.recipe(props.pattern, 'thin', props.step.id, (t) => void (t[key] = value))
const undo = computed(() => edits.label(props.pattern, props.step))
const whole = (value: number) => (Number.isInteger(value) && value >= 1 ? undefined : ['Type a whole number from 1.'])
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    Keep one in every
    <NumberValue :value="step.every" quantity="count" label="Every" :undo="undo" :check="whole" :edit="set('every')" />,
    beginning with number
    <NumberValue
      :value="step.from"
      quantity="count"
      state="free"
      label="Beginning with"
      :undo="undo"
      :check="whole"
      :edit="set('from')"
    />.
  </StepFrame>
</template>
