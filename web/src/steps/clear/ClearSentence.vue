<script setup lang="ts">
import type { Clear } from '@hilera/core/steps/clear/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Sentence } from '@hilera/core/words'
import { X } from '@lucide/vue'
import { computed } from 'vue'
import { definitionOf } from '@hilera/core/layouts/index'
import { isStep } from '@hilera/core/steps/index'
import StepFrame from '../StepFrame.vue'
import { useStepEdits } from '../stepEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import EdgesChoice from '../../sentences/EdgesChoice.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import SeedValue from '../../sentences/SeedValue.vue'

/** What keeps copies clear of each other, once everything else about them is settled. */
const props = defineProps<{ pattern: Pattern; step: Clear; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useStepEdits()
const clear = computed(() => props.step)
const undo = computed(() => edits.label(props.pattern, props.step))
const recipe = (edit: (clear: Clear) => void) => edits.recipe(props.pattern, 'clear', props.step.id, edit)
const change = (edit: (clear: Clear) => void): void => void document.change(undo.value, recipe(edit))

const howOptions = [
  { value: 'push' as const, words: 'pushing apart', note: 'only places change' },
  { value: 'shrink' as const, words: 'shrinking', note: 'only sizes change' },
  { value: 'leaveOut' as const, words: 'leaving out', note: 'some are not there' },
]
const axisWords: Readonly<Record<string, string>> = {
  'true false true': 'over the ground',
  'true true true': 'in all directions',
  'true false false': 'across',
  'false true false': 'up and down',
  'false false true': 'deep',
  'true true false': 'across and up',
  'false true true': 'up and deep',
}
/** Whether its copies stand along a path that they could be pushed along. */
const hasTrack = computed(() => definitionOf(props.pattern.layout).track !== undefined)
const axesOptions = computed(() => [
  ...Object.entries(axisWords).map(([value, words]) => ({ value, words })),
  ...(hasTrack.value ? [{ value: 'path', words: 'along the path' }] : []),
])
const alongPath = computed(() => clear.value.along === 'path' && hasTrack.value)
const axes = computed(() =>
  alongPath.value ? 'path' : `${clear.value.axes.across} ${clear.value.axes.up} ${clear.value.axes.deep}`,
)
function setAxes(value: string): void {
  if (value === 'path') return change((c) => void (c.along = 'path'))
  const [across, up, deep] = value.split(' ').map((word) => word === 'true')
  change((c) => {
    delete c.along
    c.axes = { across, up, deep }
  })
}
const insideOptions = computed(() => [
  { value: 'no', words: 'anywhere' },
  { value: 'yes', words: definitionOf(props.pattern.layout).area ? 'inside the outline' : 'inside their box' },
])
const priorityOptions = [
  { value: 'order' as const, words: 'come first' },
  { value: 'size' as const, words: 'are the largest' },
  { value: 'chance' as const, words: 'chance picks' },
]
const others = computed(() =>
  document.project.patterns.filter(
    (p) =>
      p.id !== props.pattern.id &&
      !clear.value.from.includes(p.id) &&
      !p.steps.some((s) => isStep('clear', s) && s.from.includes(props.pattern.id)),
  ),
)
const nameOf = (id: string): string => document.project.patterns.find((p) => p.id === id)?.name ?? 'nothing'

const atLeastZero = (n: number): Sentence | undefined => (n >= 0 ? undefined : ['A clearance is 0 or more.'])
const aboveZero = (n: number): Sentence | undefined =>
  n > 0 ? undefined : ['It stops at some distance above 0: type one such as ', { length: 0.0001 }, '.']
const whole = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 1 && n <= 10_000 ? undefined : ['Type a whole number from 1 to 10 000.']
const floorCheck = (n: number): Sentence | undefined =>
  n > 0 && n <= 1 ? undefined : ['A copy keeps some of its size: type more than 0 %, up to 100 %.']
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    Keep
    <NumberValue
      :value="clear.clearance"
      quantity="length"
      label="Clearance"
      :undo="undo"
      :check="atLeastZero"
      :edit="(n) => recipe((c) => void (c.clearance = n))"
    />
    clear <EdgesChoice :pattern="pattern" /><template v-if="clear.from.length > 0">
      of each other and of
      <template v-for="(id, i) in clear.from" :key="id"
        ><template v-if="i > 0">, </template><span class="other">{{ nameOf(id) }}</span
        ><button
          type="button"
          class="tool less"
          :aria-label="`Do not keep clear of ${nameOf(id)}`"
          title="Take it away"
          @click="change((c) => void (c.from = c.from.filter((f) => f !== id)))"
        >
          <X :size="12" /></button></template></template
    ><template v-if="others.length > 0"
      >{{ ' '
      }}<ChoiceValue
        label="Keep clear of"
        value=""
        :options="[{ value: '', words: '+' }, ...others.map((p) => ({ value: p.id, words: `of ${p.name}` }))]"
        @pick="(id: string) => change((c) => void c.from.push(id))"
    /></template>
    by
    <ChoiceValue
      label="Cleared by"
      :value="clear.how"
      :options="howOptions"
      @pick="(h: Clear['how']) => change((c) => void (c.how = h))"
    /><template v-if="clear.how === 'push'"
      >{{ ' ' }}<ChoiceValue label="Moving" :value="axes" :options="axesOptions" @pick="setAxes" /><template
        v-if="!alongPath"
        >,
        <ChoiceValue
          label="Staying"
          :value="clear.inside ? 'yes' : 'no'"
          :options="insideOptions"
          @pick="(i: string) => change((c) => void (c.inside = i === 'yes'))" /></template
      >, to within
      <NumberValue
        :value="clear.within"
        quantity="length"
        label="Within"
        :undo="undo"
        :check="aboveZero"
        :edit="(n) => recipe((c) => void (c.within = n))"
      />, in up to
      <NumberValue
        :value="clear.rounds"
        quantity="count"
        state="free"
        label="Rounds"
        :undo="undo"
        :check="whole"
        :edit="(n) => recipe((c) => void (c.rounds = n))"
      />
      rounds</template
    ><template v-else-if="clear.how === 'shrink'"
      >, down to
      <NumberValue
        :value="clear.floor"
        quantity="share"
        label="Floor"
        :undo="undo"
        :check="floorCheck"
        :edit="(n) => recipe((c) => void (c.floor = n))"
      />
      of their size at the least</template
    ><template v-else
      >; those stay that
      <ChoiceValue
        label="Who stays"
        :value="clear.priority"
        :options="priorityOptions"
        @pick="(p: Clear['priority']) => change((c) => void (c.priority = p))" /><template
        v-if="clear.priority === 'chance'"
        >,
        <SeedValue
          :seed="clear.seed"
          label="Seed"
          :undo="undo"
          :pattern="pattern"
          :edit="(n) => recipe((c) => void (c.seed = n))" /></template></template
    >.
  </StepFrame>
</template>

<style scoped>
.less {
  width: 18px;
  min-height: 24px;
  vertical-align: middle;
}
.other {
  font: 500 13px var(--sans);
}
</style>
