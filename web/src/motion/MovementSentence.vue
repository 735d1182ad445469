<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { type Movement, movementDefinitionOf } from '@hilera/core/motion/index'
import { bind } from '@hilera/core/sentences/bind'
import type { Vec3 } from '@hilera/core/values/values'
import { inPattern } from '@hilera/core/model/inWorld'
import { UNTURNED } from '@hilera/core/geometry/rotation'
import { computed, provide } from 'vue'
import SharedNote from '../groups/SharedNote.vue'
import { spread, useShared } from '../groups/shared'
import { usePatternSentence } from '../patterns/patternSentence'
import Facts from '../sentences/Facts.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import StepTools from '../sentences/StepTools.vue'
import Words from '../sentences/Words.vue'
import { useSurroundings } from '../sentences/around'
import { useDocument } from '../stores/document'
import { ASK, type SentenceEdits } from '../sentences/edits'
import { useOutcomes } from '../stores/outcomes'
import { usePicking } from '../stores/picking'
import { usePlayback } from '../stores/playback'
import { nameOfMovement, useMovementEdits } from './movementEdits'

/** How the copies of a pattern move: the sentence, what follows from it, and the ways to move and remove it. */
const props = defineProps<{ pattern: Pattern; movement: Movement; number: number }>()
const document = useDocument()
const outcomes = useOutcomes()
const playback = usePlayback()
const movements = useMovementEdits()
const name = computed(() => nameOfMovement(props.movement))
const list = computed(() => props.pattern.motion ?? [])
const at = computed(() => list.value.findIndex((m) => m.id === props.movement.id))
const around = useSurroundings(
  () => props.pattern,
  () => outcomes.byId.get(props.pattern.id),
)
const own = (p: Pattern): Movement => p.motion!.find((m) => m.id === props.movement.id)!
const plain = usePatternSentence(
  () => props.pattern,
  (found) => found.motion?.some((m) => m.id === props.movement.id) ?? false,
  () => name.value,
)
/** What is changed of one that several have together is changed in all of them. */
const edits: SentenceEdits<Pattern> = {
  ...plain,
  recipe: (edit) => spread(props.pattern, plain.recipe(edit)),
  change: (undo, edit) => document.change(plain.name(undo), edits.recipe(edit)),
}
const shared = useShared()
const came = computed(() => playback.playing.ownOf(props.pattern.id)[at.value])
const items = computed(() =>
  bind(
    movementDefinitionOf(props.movement).sentence,
    { root: props.pattern, into: (p: Pattern) => (p === props.pattern ? props.movement : own(p)) },
    { ...around.value, timed: came.value?.ok ? came.value.value.timed : undefined },
  ),
)
/** A place from which they come is clicked, or typed after it was given up. */
const picking = usePicking()
provide(ASK, ({ asks, item, value, edits: said }) => {
  if (item.is !== 'choice') return
  const { id } = props.pattern
  void picking.place('Click the place from which they come').then((picked) => {
    const pattern = document.project.patterns.find((p) => p.id === id)
    if (!pattern) return
    void said.change(item.undo(value), (root: Pattern) => {
      item.write(root as never, value)
      const movement = own(root)
      if (!picked || !(asks in movement)) return
      const inside = inPattern(pattern, { move: picked.point, turn: UNTURNED, size: [1, 1, 1] })
      // What several have together is said in the axes of the world.
      const isShared = shared.sharedBy(pattern, movement.id, 'motion') !== undefined
      Object.assign(movement, { [asks]: (isShared ? picked.point : inside.move) satisfies Vec3 })
    })
  })
})
</script>

<template>
  <StepTools
    :of="movement.id"
    :name="name"
    :remove="`Remove: ${name}`"
    :first="at === 0"
    :last="at === list.length - 1"
    @shift="(by) => movements.shift(pattern, movement, by)"
    @remove="movements.remove(pattern, movement)"
  >
    <Step :number="number" :name="`${pattern.id} ${movement.id}`">
      <SentenceItems :items="items" :edits="edits" />
      <template v-if="came" #facts>
        <Facts v-if="came.ok" :facts="came.value.facts" />
        <span v-else class="wrong" role="alert"><Words :sentence="came.problem.says" /></span>
      </template>
      <template #after>
        <SharedNote :pattern="pattern" of="motion" :own="movement.id" :name="name" />
      </template>
    </Step>
  </StepTools>
</template>

<style scoped>
.wrong {
  color: var(--vermilion);
}
</style>
