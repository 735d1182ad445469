<script setup lang="ts">
import type { Line } from '@hilera/core/layouts/line/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { takeHold } from '@hilera/core/spacing/hold'
import type { Measure, RoomEdges } from '@hilera/core/values/spacing'
import type { Ends, Held, Leftover } from '@hilera/core/values/spacing'
import { computed } from 'vue'
import type { Recipe } from '../../stores/history'
import { useOutcomes } from '../../stores/outcomes'
import type { PatternUpdate } from '../../worker/messages'
import { laidOf } from '../index'
import { useLineEdits } from './lineEdits'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import {
  directionOptions,
  directionValue,
  edgesOptions,
  endsOptions,
  leftoverOptions,
  measureOptions,
} from '../lineWords'
import NumberValue from '../../sentences/NumberValue.vue'
import OutlinesChoice from '../OutlinesChoice.vue'
import Step from '../../sentences/Step.vue'
import Facts from '../../sentences/Facts.vue'
import Words from '../../sentences/Words.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()

const edits = useLineEdits(() => props.pattern)
const outcomes = useOutcomes()
const line = computed(() => props.pattern.layout as Line)
const spacing = computed(() => laidOf('line', props.outcome))
const amounts = computed(() => (line.value.direction.kind === 'amounts' ? line.value.direction.step : undefined))
const worked = computed<Held>(
  () => (['count', 'spacing', 'room'] as const).find((which) => !line.value.hold.includes(which)) ?? 'count',
)

const stateOf = (which: Held): 'held' | 'worked' => (worked.value === which ? 'worked' : 'held')
/** What is shown: the held value as it was typed, the third as it came out. */
const valueOf = (which: Held): number => {
  const out = spacing.value?.[which]
  return worked.value === which && out !== undefined && !Number.isNaN(out) ? out : line.value[which]
}
const count = computed(() => spacing.value?.count ?? line.value.count)
const hold = (which: Held) => (value: number) => edits.recipe((l) => takeHold(l, which, value))
const { name } = edits
const step =
  (axis: 0 | 1 | 2) =>
  (value: number): Recipe =>
    edits.recipe((l) => {
      if (l.direction.kind === 'amounts') l.direction.step[axis] = value
    })
const set = <K extends keyof Line>(key: K, value: Line[K], what: string): void =>
  void edits.change(what, (l) => void (l[key] = value))
</script>

<template>
  <Step :number="number">
    Place
    <NumberValue
      :value="valueOf('count')"
      quantity="count"
      label="Count"
      :undo="name('count')"
      :state="stateOf('count')"
      :edit="hold('count')"
    />
    in a line
    <template v-if="amounts">
      <ChoiceValue
        label="Direction"
        :value="directionValue(line.direction)"
        :options="directionOptions"
        @pick="edits.setDirection"
      />, each
      <NumberValue :value="amounts[0]" quantity="length" label="Step across" :undo="name('step')" :edit="step(0)" />
      across,
      <NumberValue :value="amounts[1]" quantity="length" label="Step up" :undo="name('step')" :edit="step(1)" /> up and
      <NumberValue :value="amounts[2]" quantity="length" label="Step deep" :undo="name('step')" :edit="step(2)" /> deep
      from the one before, in
    </template>
    <template v-else>
      along
      <ChoiceValue
        label="Direction"
        :value="directionValue(line.direction)"
        :options="directionOptions"
        @pick="edits.setDirection"
      />,
      <NumberValue
        :value="valueOf('spacing')"
        quantity="length"
        label="Spacing"
        :undo="name(line.measure)"
        :state="stateOf('spacing')"
        :edit="hold('spacing')"
      />
      {{ ' ' }}
      <ChoiceValue
        label="Measure"
        :value="line.measure"
        :options="measureOptions"
        @pick="(m: Measure) => edits.setMeasure(m)"
      /><OutlinesChoice :pattern="pattern" />, in
    </template>
    <NumberValue
      :value="valueOf('room')"
      quantity="length"
      label="Room"
      :undo="name('room')"
      :state="stateOf('room')"
      :edit="hold('room')"
    />
    {{ ' ' }}
    <ChoiceValue
      v-if="!amounts"
      label="Room is measured"
      :value="line.edges"
      :options="edgesOptions"
      @pick="(e: RoomEdges) => set('edges', e, 'room')"
    />
    <template v-else>between centres</template>,
    <ChoiceValue
      label="Ends"
      :value="line.ends"
      :options="endsOptions"
      @pick="(e: Ends) => set('ends', e, 'ends')"
    /><template v-if="worked === 'count'"
      >; what is left over goes
      <ChoiceValue
        label="Leftover"
        :value="line.leftover"
        :options="leftoverOptions"
        @pick="(l: Leftover) => set('leftover', l, 'leftover')" /></template
    >.
    <template #facts>
      <span v-if="outcome?.problem" class="wrong" role="alert"><Words :sentence="outcome.problem.says" /></span>
      <template v-else-if="outcome">
        <span v-if="count > 1" class="total"
          ><span class="figure">1 + {{ count - 1 }}</span> more · </span
        ><Facts :facts="outcomes.factsOf(outcome)" />
      </template>
    </template>
  </Step>
</template>

<style scoped>
.wrong {
  color: var(--vermilion);
}
.total .figure {
  color: var(--ink);
  font-weight: 600;
}
</style>
