<script setup lang="ts">
import type { Anchor, Grid } from '@hilera/core/layouts/grid/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import OutlinesChoice from '../OutlinesChoice.vue'
import SpacingValues from './SpacingValues.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const edits = useLayoutEdits('grid', () => props.pattern)
const grid = computed(() => props.pattern.layout as Grid)
const laid = computed(() => (props.outcome?.laid?.kind === 'grid' ? props.outcome.laid : undefined))
const along = (axis: 'across' | 'deep' | 'up') => (edit: (spacing: Grid['across']) => void) =>
  edits.recipe((g) => edit(g[axis]))

type Rows = Grid['rows']['kind']
const rowsOptions = [
  { value: 'inStep' as const, words: 'in step' },
  { value: 'offset' as const, words: 'shifted', note: 'as in a wall of bricks' },
  {
    value: 'hexagonal' as const,
    words: 'hexagonal',
    note: 'every other row by half, rows √3/2 of the column pitch apart',
  },
]
const onlyOptions = [
  { value: 'all' as const, words: 'all places' },
  { value: 'border' as const, words: 'only the border' },
  { value: 'checker' as const, words: 'only every other place', note: 'as on a checkerboard' },
]
const orderOptions = [
  { value: 'rows' as const, words: 'row by row' },
  { value: 'backAndForth' as const, words: 'back and forth' },
  { value: 'fromCentre' as const, words: 'from the centre outward' },
]
const anchorOptions = {
  across: ['left', 'middle', 'right'],
  deep: ['far edge', 'middle', 'near edge'],
  up: ['lowest', 'middle', 'topmost'],
}
const anchorsFor = (axis: 'across' | 'deep') =>
  (['start', 'centre', 'end'] as const).map((value, i) => ({ value, words: anchorOptions[axis][i] }))
const setRows = (kind: Rows): void =>
  void edits.change('rows', (g) => void (g.rows = kind === 'offset' ? { kind, share: 0.5, every: 1 } : { kind }))
const offset = (key: 'share' | 'every') => (value: number) =>
  edits.recipe((g) => {
    if (g.rows.kind === 'offset') g.rows[key] = value
  })
const whole = (value: number) => (Number.isInteger(value) && value >= 1 ? undefined : ['Type a whole number from 1.'])
</script>

<template>
  <Step :number="number" :name="`${pattern.id} layout`">
    Place
    <SpacingValues
      :id="`${pattern.id} across`"
      :spacing="grid.across"
      :outcome="laid?.across"
      direction="across"
      :undo="edits.name('across')"
      :recipe="along('across')"
    />;
    <SpacingValues
      :id="`${pattern.id} deep`"
      :spacing="grid.deep"
      :outcome="laid?.deep"
      direction="deep"
      :undo="edits.name('deep')"
      :recipe="along('deep')"
      :fixed="grid.rows.kind === 'hexagonal'"
    /><OutlinesChoice :pattern="pattern" /><Clause :neutral="grid.up.count === 1 && grid.up.hold.includes('count')"
      >;
      <SpacingValues
        :id="`${pattern.id} up`"
        :spacing="grid.up"
        :outcome="laid?.up"
        direction="high"
        :undo="edits.name('up')"
        :recipe="along('up')" /></Clause
    ><Clause :neutral="grid.rows.kind === 'inStep'"
      >; rows <ChoiceValue label="Rows" :value="grid.rows.kind" :options="rowsOptions" @pick="setRows" /><template
        v-if="grid.rows.kind === 'offset'"
        >{{ ' ' }}by
        <NumberValue
          :value="grid.rows.share"
          quantity="share"
          state="free"
          label="Shift of a row"
          :undo="edits.name('rows')"
          :edit="offset('share')"
        />
        of a pitch every
        <NumberValue
          :value="grid.rows.every"
          quantity="count"
          state="free"
          label="Rows in a group"
          :undo="edits.name('rows')"
          :check="whole"
          :edit="offset('every')"
        />
        {{ grid.rows.every === 1 ? 'row' : 'rows' }}</template
      ></Clause
    ><Clause :neutral="grid.only === 'all'"
      >;
      <ChoiceValue
        label="Places used"
        :value="grid.only"
        :options="onlyOptions"
        @pick="(only: Grid['only']) => edits.change('places', (g) => void (g.only = only))" /></Clause
    ><Clause :neutral="grid.order === 'rows'"
      >, numbered
      <ChoiceValue
        label="Numbering"
        :value="grid.order"
        :options="orderOptions"
        @pick="(order: Grid['order']) => edits.change('numbering', (g) => void (g.order = order))" /></Clause
    >.<Clause :neutral="grid.anchor.across === 'start' && grid.anchor.deep === 'start'">
      Its origin is at the
      <ChoiceValue
        label="Origin across"
        :value="grid.anchor.across"
        :options="anchorsFor('across')"
        @pick="(a: Anchor) => edits.change('origin', (g) => void (g.anchor.across = a))"
      />,
      <ChoiceValue
        label="Origin deep"
        :value="grid.anchor.deep"
        :options="anchorsFor('deep')"
        @pick="(a: Anchor) => edits.change('origin', (g) => void (g.anchor.deep = a))"
      />.</Clause
    >
    <template #facts><LayoutFacts :outcome="outcome" /></template>
  </Step>
</template>
