<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { type Movement, movementDefinitionOf } from '@hilera/core/motion/index'
import { bind } from '@hilera/core/sentences/bind'
import { computed } from 'vue'
import { usePatternSentence } from '../patterns/patternSentence'
import Facts from '../sentences/Facts.vue'
import SentenceItems from '../sentences/SentenceItems.vue'
import Step from '../sentences/Step.vue'
import StepTools from '../sentences/StepTools.vue'
import Words from '../sentences/Words.vue'
import { useSurroundings } from '../sentences/around'
import { useOutcomes } from '../stores/outcomes'
import { usePlayback } from '../stores/playback'
import { nameOfMovement, useMovementEdits } from './movementEdits'

/** How the copies of a pattern move: the sentence, what follows from it, and the ways to move and remove it. */
const props = defineProps<{ pattern: Pattern; movement: Movement; number: number }>()
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
const edits = usePatternSentence(
  () => props.pattern,
  (found) => found.motion?.some((m) => m.id === props.movement.id) ?? false,
  () => name.value,
)
const items = computed(() =>
  bind(
    movementDefinitionOf(props.movement).sentence,
    { root: props.pattern, into: (p: Pattern) => (p === props.pattern ? props.movement : own(p)) },
    around.value,
  ),
)
const came = computed(() => playback.playing.ownOf(props.pattern.id)[at.value])
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
    </Step>
  </StepTools>
</template>

<style scoped>
.wrong {
  color: var(--vermilion);
}
</style>
