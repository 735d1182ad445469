<script setup lang="ts">
import type { Reflection, ShapeAnswer, SurfaceWay } from '@hilera/core/values/reflection'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import type { ReflectionEdits } from './mirrorEdits'
import PlaneWords from './PlaneWords.vue'

/** What a mirror and a reflection have in common, in words: their planes, what stays, what becomes of turns, shapes and grain. */
const props = defineProps<{
  reflection: Reflection
  edits: ReflectionEdits
  middle: string
  others: boolean
  patternId: string
  /** Whether grain or pictures lie on what is mirrored. */
  patterned: boolean
}>()
const keepOptions = [
  { value: 'both' as const, words: 'keeping both', note: 'both sides are there' },
  { value: 'across' as const, words: 'moving it across', note: 'nothing stays on this side' },
]
const whatOptions = [
  { value: 'both' as const, words: 'places and turns' },
  { value: 'place' as const, words: 'places only', note: 'copies stay turned and shaped as they are' },
  { value: 'turn' as const, words: 'turns only', note: 'copies stay where they are' },
]
const shapeOptions = [
  { value: 'auto' as const, words: 'mirrored where they have a hand', note: 'symmetric ones are kept' },
  { value: 'mirrored' as const, words: 'mirrored', note: 'all as twins' },
  { value: 'kept' as const, words: 'kept', note: 'none as a twin' },
]
const surfaceOptions = [
  { value: 'book' as const, words: 'like the pages of a book', note: 'mirrored with the copy' },
  { value: 'continued' as const, words: 'on in its own direction', note: 'as though it went through' },
  { value: 'turned' as const, words: 'turned with the copy', note: 'as it lies on the part' },
]
const turns = computed(() => props.reflection.what !== 'place')
</script>

<template>
  <PlaneWords
    v-for="(plane, i) in reflection.planes"
    :key="i"
    :plane="plane"
    :index="i"
    :edits="edits"
    :middle="middle"
    :others="others"
    :pattern-id="patternId"
  />{{ ' '
  }}<ChoiceValue
    label="What stays"
    :value="reflection.keep"
    :options="keepOptions"
    @pick="(k: Reflection['keep']) => edits.change('what stays', (r) => void (r.keep = k))"
  />. It mirrors
  <ChoiceValue
    label="What is mirrored"
    :value="reflection.what"
    :options="whatOptions"
    @pick="(w: Reflection['what']) => edits.change('what is mirrored', (r) => void (r.what = w))"
  /><template v-if="turns"
    >; shapes are
    <ChoiceValue
      label="Shapes"
      :value="reflection.shapes"
      :options="shapeOptions"
      @pick="(s: ShapeAnswer) => edits.change('shapes', (r) => void (r.shapes = s))" /></template
  ><template v-if="turns && patterned"
    >; grain runs
    <ChoiceValue
      label="Grain"
      :value="reflection.surfaces"
      :options="surfaceOptions"
      @pick="(s: SurfaceWay) => edits.change('grain', (r) => void (r.surfaces = s))" /></template
  >.
</template>
