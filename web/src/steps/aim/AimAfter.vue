<script setup lang="ts">
import { fromTurns, inverse, rotate } from '@hilera/core/geometry/rotation'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Aim } from '@hilera/core/steps/aim/schema'
import { usePicking } from '../../stores/picking'
import { useDocument } from '../../stores/document'
import { useStepEdits } from '../stepEdits'

/** What copies face can be clicked on the stage: a place, or a copy of theirs. */
const props = defineProps<{ pattern: Pattern; step: Aim }>()
const document = useDocument()
const picking = usePicking()
const edits = useStepEdits()

async function pickTarget(): Promise<void> {
  const picked = await picking.place('Click what they should face')
  if (!picked) return
  const { copy, point: world } = picked
  const { move, turn } = props.pattern.place
  const point = rotate(inverse(fromTurns(turn)), world.map((n, i) => n - move[i]) as [number, number, number])
  void document.change(
    edits.label(props.pattern, props.step),
    edits.recipe(
      props.pattern,
      'aim',
      props.step.id,
      (aim) =>
        void (aim.at =
          copy?.patternId === props.pattern.id ? { kind: 'copy', slot: copy.slot } : { kind: 'point', point }),
    ),
  )
}
</script>

<template>
  <button v-if="step.at.kind === 'point' || step.at.kind === 'copy'" type="button" class="aside" @click="pickTarget">
    Pick it
  </button>
</template>
