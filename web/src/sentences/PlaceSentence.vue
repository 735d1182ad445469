<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import { useDrawEdits } from '../patterns/drawEdits'
import { usePatternEdits } from '../patterns/patternEdits'
import Clause from './Clause.vue'
import NumberValue from './NumberValue.vue'
import Step from './Step.vue'

/** Where a pattern's own axes lie, in figures: everything that its pins do by dragging. */
const props = defineProps<{ pattern: Pattern; number: number }>()
const edits = usePatternEdits()
const draw = useDrawEdits()

const set = (what: 'move' | 'turn', axis: 0 | 1 | 2) => (value: number) =>
  edits.recipe(props.pattern.id, (p) => void (p.place[what][axis] = value))
/** The turns in the order in which they are said. */
const turns = [
  ['up', 1],
  ['across', 0],
  ['deep', 2],
] as const
const isAtOrigin = computed(() => props.pattern.place.move.every((n) => n === 0))
const undo = (what: string): string => `${what} of ${props.pattern.name}`
</script>

<template>
  <Step :number="number" :name="`${pattern.id} place`">
    It starts at
    <template v-if="isAtOrigin">the origin</template>
    <Clause :neutral="isAtOrigin"
      ><template v-if="isAtOrigin">: </template
      ><NumberValue
        :value="pattern.place.move[0]"
        quantity="length"
        state="free"
        label="Start across"
        :undo="undo('place')"
        :edit="set('move', 0)"
      />
      across,
      <NumberValue
        :value="pattern.place.move[1]"
        quantity="length"
        state="free"
        label="Start up"
        :undo="undo('place')"
        :edit="set('move', 1)"
      />
      up,
      <NumberValue
        :value="pattern.place.move[2]"
        quantity="length"
        state="free"
        label="Start deep"
        :undo="undo('place')"
        :edit="set('move', 2)"
      />
      deep</Clause
    ><Clause v-for="[name, axis] in turns" :key="name" :neutral="pattern.place.turn[axis] === 0"
      >, turned
      <NumberValue
        :value="pattern.place.turn[axis]"
        quantity="angle"
        state="free"
        :label="`Turn about ${name}`"
        :undo="undo('turn')"
        :edit="set('turn', axis)"
      />
      about {{ name }}</Clause
    >.
    <template #after
      ><button type="button" class="aside" @click="draw.placeOrigin(pattern)">
        Pick its start on the stage
      </button></template
    >
  </Step>
</template>
