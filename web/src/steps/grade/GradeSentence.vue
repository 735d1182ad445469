<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Easing, Graded } from '@hilera/core/values/graded'
import type { Grade } from '@hilera/core/steps/grade/schema'
import type { Axis } from '@hilera/core/values/values'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useStepEdits } from '../stepEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import StepFrame from '../StepFrame.vue'

const props = defineProps<{ pattern: Pattern; step: Grade; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useStepEdits()
const recipe = (edit: (grade: Grade) => void) => edits.recipe(props.pattern, 'grade', props.step.id, edit)
const undo = computed(() => edits.label(props.pattern, props.step))
const change = (edit: (grade: Grade) => void): void => void document.change(undo.value, recipe(edit))
const set = (key: 'first' | 'last' | 'amount' | 'factor') => (value: number) => recipe((g) => void (g[key] = value))

const quantity = computed(() =>
  props.step.what.startsWith('size') ? 'share' : props.step.what.startsWith('turn') ? 'angle' : 'length',
)
const whatOptions: { value: Graded; words: string }[] = [
  { value: 'size', words: 'Size them' },
  { value: 'sizeAcross', words: 'Size them across' },
  { value: 'sizeUp', words: 'Size them up' },
  { value: 'sizeDeep', words: 'Size them deep' },
  { value: 'moveAcross', words: 'Move them across' },
  { value: 'moveUp', words: 'Move them up' },
  { value: 'moveDeep', words: 'Move them deep' },
  { value: 'turnAcross', words: 'Turn them about across' },
  { value: 'turnUp', words: 'Turn them about up' },
  { value: 'turnDeep', words: 'Turn them about deep' },
]
const byOptions = computed(() => [
  { value: 'ends' as const, words: 'from', note: 'a first value to a last one' },
  { value: 'amount' as const, words: 'by', note: 'so much more with each step' },
  ...(quantity.value === 'share'
    ? [{ value: 'factor' as const, words: 'times', note: 'a factor with each step' }]
    : []),
])
const overOptions = [
  { value: 'order' as const, words: 'in their order' },
  { value: 'across' as const, words: 'along across' },
  { value: 'up' as const, words: 'along up' },
  { value: 'deep' as const, words: 'along deep' },
  { value: 'distance' as const, words: 'by the distance from a point' },
]
const over = computed(() => (props.step.over.kind === 'along' ? props.step.over.axis : props.step.over.kind))
const easingOptions: { value: Easing; words: string }[] = [
  { value: 'evenly', words: 'evenly' },
  { value: 'slowFirst', words: 'slowly at first' },
  { value: 'slowLast', words: 'slowly at last' },
  { value: 'slowBoth', words: 'slowly at both ends' },
]
function setWhat(what: Graded): void {
  change((g) => {
    const before = g.what.slice(0, 4)
    g.what = what
    if (before === what.slice(0, 4)) return
    // Values of one kind mean nothing in another.
    const fresh = { size: [1, 0.5, 0.05], move: [0, 0.1, 0.01], turn: [0, Math.PI / 4, Math.PI / 36] }[
      what.slice(0, 4) as 'size' | 'move' | 'turn'
    ]
    ;[g.first, g.last, g.amount] = fresh
    if (g.by === 'factor' && what.slice(0, 4) !== 'size') g.by = 'ends'
  })
}
function setOver(value: Axis | 'order' | 'distance'): void {
  change(
    (g) =>
      void (g.over =
        value === 'order'
          ? { kind: 'order' }
          : value === 'distance'
            ? { kind: 'distance', from: [0, 0, 0] }
            : { kind: 'along', axis: value }),
  )
}
const from = (axis: number) => (value: number) =>
  recipe((g) => {
    if (g.over.kind === 'distance') g.over.from[axis] = value
  })
const sizeOk = (value: number): Sentence | undefined =>
  quantity.value !== 'share' || value > 0 ? undefined : ['A size is more than 0: type 100 % for the part’s own.']
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    <ChoiceValue label="What is graded" :value="step.what" :options="whatOptions" @pick="setWhat" />{{ ' ' }}
    <ChoiceValue
      label="Graded by"
      :value="step.by"
      :options="byOptions"
      @pick="(by: Grade['by']) => change((g) => void (g.by = by))"
    />{{ ' ' }}
    <template v-if="step.by === 'ends'"
      >{{ ' '
      }}<NumberValue
        :value="step.first"
        :quantity="quantity"
        label="First"
        :undo="undo"
        :check="sizeOk"
        :edit="set('first')"
      />
      at the first to
      <NumberValue
        :value="step.last"
        :quantity="quantity"
        label="Last"
        :undo="undo"
        :check="sizeOk"
        :edit="set('last')"
      />
      at the last<Clause :neutral="step.easing === 'evenly'"
        >,
        <ChoiceValue
          label="Easing"
          :value="step.easing"
          :options="easingOptions"
          @pick="(easing: Easing) => change((g) => void (g.easing = easing))"
      /></Clause>
    </template>
    <template v-else-if="step.by === 'amount'"
      ><NumberValue :value="step.amount" :quantity="quantity" label="Amount" :undo="undo" :edit="set('amount')" /> more
      with each step</template
    >
    <template v-else
      ><NumberValue
        :value="step.factor"
        quantity="factor"
        label="Factor"
        :undo="undo"
        :check="sizeOk"
        :edit="set('factor')"
      />
      with each step</template
    ><Clause :neutral="step.over.kind === 'order'"
      >, <ChoiceValue label="Graded over" :value="over" :options="overOptions" @pick="setOver" /><template
        v-if="step.over.kind === 'distance'"
        >{{ ' '
        }}<NumberValue
          v-for="(name, i) in ['across', 'up', 'deep']"
          :key="name"
          :value="step.over.from[i]"
          quantity="length"
          state="free"
          :label="`Point ${name}`"
          :undo="undo"
          :edit="from(i)" /></template></Clause
    >.
  </StepFrame>
</template>
