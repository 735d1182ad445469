<script setup lang="ts">
import type { SpacingOutcome } from '@hilera/core/layouts/context'
import type { Spacing } from '@hilera/core/values/spacing'
import { takeHold } from '@hilera/core/spacing/hold'
import type { Measure, RoomEdges } from '@hilera/core/values/spacing'
import { type Ends, type Held, type Leftover, triple } from '@hilera/core/values/spacing'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import type { Recipe } from '../../stores/history'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import { edgesOptions, endsOptions, leftoverOptions, measureOptions } from '../lineWords'
import NumberValue from '../../sentences/NumberValue.vue'
import { reading } from '../measuring'

/** Along one direction of a grid: count, spacing and room, any two of them held. */
const props = defineProps<{
  spacing: Spacing
  outcome: SpacingOutcome | undefined
  /** "across", as it stands in labels. */
  direction: string
  undo: string
  /** Tells this direction of this pattern from all others. */
  id: string
  recipe: (edit: (spacing: Spacing) => void) => Recipe
  /** The spacing follows from something else and is only shown. */
  fixed?: boolean
}>()
const document = useDocument()

const worked = computed<Held>(() => triple.find((which) => !props.spacing.hold.includes(which)) ?? 'count')
const stateOf = (which: Held): 'held' | 'worked' =>
  worked.value === which || (props.fixed && which === 'spacing') ? 'worked' : 'held'
const valueOf = (which: Held): number => {
  const out = props.outcome?.[which]
  return stateOf(which) === 'worked' && out !== undefined && !Number.isNaN(out) ? out : props.spacing[which]
}
const hold = (which: Held) => (value: number) => props.recipe((s) => takeHold(s, which, value))
const label = (what: string): string => `${what} ${props.direction}`
const single = computed(() => props.spacing.hold.includes('count') && props.spacing.count === 1)
const set = <K extends keyof Spacing>(key: K, value: Spacing[K]): void =>
  void document.change(
    props.undo,
    props.recipe((s) => void (s[key] = value)),
  )

const setMeasure = (measure: Measure): void =>
  void document.change(
    props.undo,
    props.recipe(reading(props.id, props.spacing, measure, props.outcome?.readAs?.[measure])),
  )
</script>

<template>
  <NumberValue
    :value="valueOf('count')"
    quantity="count"
    :label="label('Count')"
    :undo="undo"
    :state="stateOf('count')"
    :edit="hold('count')"
  />
  {{ ' ' }}{{ direction
  }}<template v-if="!single"
    >{{ ' ' }}at
    <NumberValue
      :value="valueOf('spacing')"
      quantity="length"
      :label="label('Spacing')"
      :undo="undo"
      :state="stateOf('spacing')"
      :edit="hold('spacing')" />
    {{ ' ' }}<template v-if="fixed">pitch</template
    ><ChoiceValue
      v-else
      :label="label('Measure')"
      :value="spacing.measure"
      :options="measureOptions"
      @pick="(m: Measure) => setMeasure(m)" />
    in
    <NumberValue
      :value="valueOf('room')"
      quantity="length"
      :label="label('Room')"
      :undo="undo"
      :state="stateOf('room')"
      :edit="hold('room')" />
    {{ ' '
    }}<ChoiceValue
      :label="label('Room is measured')"
      :value="spacing.edges"
      :options="edgesOptions"
      @pick="(e: RoomEdges) => set('edges', e)" /><template v-if="worked === 'count'"
      >,
      <ChoiceValue
        :label="label('Ends')"
        :value="spacing.ends"
        :options="endsOptions"
        @pick="(e: Ends) => set('ends', e)" />, left over
      <ChoiceValue
        :label="label('Leftover')"
        :value="spacing.leftover"
        :options="leftoverOptions"
        @pick="(l: Leftover) => set('leftover', l)" /></template
  ></template>
</template>
