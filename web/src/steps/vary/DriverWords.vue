<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Driver } from '@hilera/core/values/variation'
import type { Vary } from '@hilera/core/steps/vary/schema'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useBrightness } from '../../patterns/brightness'
import { useDocument } from '../../stores/document'
import type { Recipe } from '../../stores/history'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import { boxOfCopies } from './reachWords'

/** What gives each copy its value: chance, the brightness of a picture, or the colours of what lies there. */
const props = defineProps<{
  pattern: Pattern
  by: Driver | undefined
  outcome: PatternUpdate | undefined
  undo: string
  recipe: (edit: (step: Vary) => void) => Recipe
}>()
const document = useDocument()
const { choose } = useBrightness()
const change = (edit: (step: Vary) => void): void => void document.change(props.undo, props.recipe(edit))
type Picture = Extract<Driver, { kind: 'picture' }>
const picture = computed(() => (props.by?.kind === 'picture' ? props.by : undefined))
const pictureRecipe = (edit: (picture: Picture) => void): Recipe =>
  props.recipe((s) => s.by?.kind === 'picture' && edit(s.by))

const options = computed(() => [
  { value: 'chance', words: 'by chance' },
  { value: 'picture', words: 'by the brightness of a picture', note: 'dark gives the low value, light the high one' },
  ...document.project.patterns
    .filter((p) => p.id !== props.pattern.id)
    .map((p) => ({ value: `on ${p.id}`, words: `by the colours on ${p.name}` })),
])
const value = computed(() =>
  !props.by ? 'chance' : props.by.kind === 'picture' ? 'picture' : `on ${props.by.pattern}`,
)
const planeOptions = [
  { value: 'ground' as const, words: 'lying' },
  { value: 'upright' as const, words: 'standing' },
]
function set(to: string): void {
  if (to === 'picture') return choosePicture()
  change((s) => {
    if (to === 'chance') delete s.by
    else s.by = { kind: 'colors', pattern: to.slice('on '.length) }
  })
}
function choosePicture(): void {
  choose((file, fileName, { width, height }) => {
    const { middle, size } = boxOfCopies(props.outcome?.table)
    const plane = picture.value?.plane ?? (size[1] > size[2] ? ('upright' as const) : ('ground' as const))
    const [w, h] = [size[0], size[plane === 'ground' ? 2 : 1]]
    change(
      (s) =>
        void (s.by = picture.value
          ? { ...picture.value, file, fileName }
          : {
              kind: 'picture',
              file,
              fileName,
              plane,
              middle: [middle[0], middle[plane === 'ground' ? 2 : 1]],
              // As wide as covers them all.
              width: Math.max(w, (h * width) / height, 0.001),
            }),
    )
  })
}
const widthOk = (n: number): Sentence | undefined =>
  n > 0 ? undefined : ['A picture is wider than 0. Type a length such as ', { length: 0.3 }, '.']
</script>

<template>
  <ChoiceValue label="Given by" :value="value" :options="options" @pick="set" /><template v-if="picture">
    <button type="button" class="choice" :aria-label="`Picture: ${picture.fileName}`" @click="choosePicture">
      {{ picture.fileName }}</button>,
    <ChoiceValue
      label="How the picture lies"
      :value="picture.plane"
      :options="planeOptions"
      @pick="(plane: Picture['plane']) => change((s) => s.by?.kind === 'picture' && (s.by.plane = plane))" />,
    <NumberValue
      :value="picture.width"
      quantity="length"
      label="Picture width"
      :undo="undo"
      :check="widthOk"
      :edit="(n) => pictureRecipe((p) => void (p.width = n))" />
    wide, its middle at
    <NumberValue
      v-for="(name, i) in ['across', picture.plane === 'ground' ? 'deep' : 'up']"
      :key="i"
      :value="picture.middle[i]"
      quantity="length"
      state="free"
      :label="`Picture ${name}`"
      :undo="undo"
      :edit="(n) => pictureRecipe((p) => void (p.middle[i] = n))"
  /></template>
</template>

<style scoped>
button.choice {
  border-width: 0 0 1.5px;
  background: none;
}
</style>
