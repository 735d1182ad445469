<script setup lang="ts">
import { slotKeyOf } from '@hilera/core/instances'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Aim } from '@hilera/core/steps/aim/schema'
import type { Side } from '@hilera/core/values/values'
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import { computed } from 'vue'
import { useStepEdits } from '../stepEdits'
import { useDocument } from '../../stores/document'
import { usePicking } from '../../stores/picking'
import { useSelection } from '../../stores/selection'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import StepFrame from '../StepFrame.vue'

const props = defineProps<{ pattern: Pattern; step: Aim; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const selection = useSelection()
const picking = usePicking()
const edits = useStepEdits()
const recipe = (edit: (aim: Aim) => void) => edits.recipe(props.pattern, 'aim', props.step.id, edit)
const undo = computed(() => edits.label(props.pattern, props.step))
const change = (edit: (aim: Aim) => void): void => void document.change(undo.value, recipe(edit))

const atOptions = computed(() => [
  { value: 'centre' as const, words: 'the centre', note: 'of these copies' },
  { value: 'along' as const, words: 'along', note: 'each the next one' },
  { value: 'point' as const, words: 'a point' },
  {
    value: 'copy' as const,
    words: 'a copy',
    note: selection.slot === undefined ? 'the first; pick one to face that' : 'the picked one',
  },
])
const sideOptions: { value: Side; words: string }[] = (['front', 'back', 'left', 'right', 'top', 'base'] as const).map(
  (value) => ({ value, words: value }),
)
const uprightOptions = [
  { value: 'yes', words: 'staying upright' },
  { value: 'no', words: 'tilting freely' },
]
/** Faces a place or a copy that is clicked on the stage. */
async function pickTarget(): Promise<void> {
  const picked = await picking.place('Click what they should face')
  if (!picked) return
  const { copy, point: world } = picked
  const own = rotate(
    inverse(fromTurns(props.pattern.place.turn)),
    world.map((n, i) => n - props.pattern.place.move[i]) as [number, number, number],
  )
  change(
    (a) =>
      void (a.at =
        copy?.patternId === props.pattern.id ? { kind: 'copy', slot: copy.slot } : { kind: 'point', point: own }),
  )
}
function setAt(kind: Aim['at']['kind']): void {
  change((a) => {
    if (kind === 'point') a.at = { kind, point: [0, 0, 0.5] }
    else if (kind === 'copy') a.at = { kind, slot: selection.slot ?? firstSlot() }
    else a.at = { kind }
  })
}
const firstSlot = (): string =>
  props.outcome && props.outcome.table.count > 0
    ? slotKeyOf(props.outcome.table.slotLow[0], props.outcome.table.slotHigh[0])
    : '0'
const point = (axis: number) => (value: number) =>
  recipe((a) => {
    if (a.at.kind === 'point') a.at.point[axis] = value
  })
</script>

<template>
  <StepFrame :pattern="pattern" :step="step" :outcome="outcome" :number="number">
    Face <ChoiceValue label="Aimed at" :value="step.at.kind" :options="atOptions" @pick="setAt" /><template
      v-if="step.at.kind === 'point'"
      >{{ ' '
      }}<NumberValue
        v-for="(name, i) in ['across', 'up', 'deep']"
        :key="name"
        :value="step.at.point[i]"
        quantity="length"
        state="free"
        :label="`Point ${name}`"
        :undo="undo"
        :edit="point(i)"
    /></template>
    with their
    <ChoiceValue
      label="Side"
      :value="step.side"
      :options="sideOptions"
      @pick="(side: Side) => change((a) => void (a.side = side))"
    />,
    <ChoiceValue
      label="Upright"
      :value="step.upright ? 'yes' : 'no'"
      :options="uprightOptions"
      @pick="(u: string) => change((a) => void (a.upright = u === 'yes'))"
    />.
    <button v-if="step.at.kind === 'point' || step.at.kind === 'copy'" type="button" class="aside" @click="pickTarget">
      Pick it
    </button>
  </StepFrame>
</template>
