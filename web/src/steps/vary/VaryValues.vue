<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { type Variation, type Varied, varied } from '@hilera/core/values/variation'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import type { Recipe } from '../../stores/history'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import ColorValue from '../../sentences/ColorValue.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import SeedValue from '../../sentences/SeedValue.vue'
import { startVariation } from '@hilera/core/steps/vary/start'

/** What varies by chance, between what, how it is spread, and its seed: of a step, or of a part. */
const props = defineProps<{
  variation: Variation
  undo: string
  recipe: (edit: (variation: Variation) => void) => Recipe
  /** Whose step it is; absent for a part. */
  pattern?: Pattern
  /** Whether something else than chance gives the values. */
  driven?: boolean
}>()
const document = useDocument()

const words: Record<Varied, string> = {
  size: 'their size',
  sizeAcross: 'their size across',
  sizeUp: 'their size upwards',
  sizeDeep: 'their size in depth',
  moveAcross: 'their place across',
  moveUp: 'their place upwards',
  moveDeep: 'their place in depth',
  turnAcross: 'their turn about across',
  turnUp: 'their turn about up',
  turnDeep: 'their turn about deep',
  tilt: 'their tilt from upright',
  turnAny: 'their turn, in any way at all',
  color: 'their colour',
}
const whatOptions = varied.map((value) => ({ value, words: words[value] }))
const spreadOptions = [
  { value: 'even' as const, words: 'evenly spread', note: 'sizes evenly in ratio, tilts over the cone' },
  { value: 'bell' as const, words: 'most in the middle', note: 'bell-shaped, cut at both ends' },
]
const axesOptions = [
  { value: 'copy' as const, words: 'each copy’s own axes' },
  { value: 'pattern' as const, words: 'the pattern’s axes' },
  { value: 'world' as const, words: 'the world’s axes' },
]
const isSize = computed(() => props.variation.what.startsWith('size'))
const quantity = computed(() => (isSize.value ? 'share' : props.variation.what.startsWith('move') ? 'length' : 'angle'))
const isColor = computed(() => props.variation.what === 'color')
const ranged = computed(() => props.variation.what !== 'turnAny' && !isColor.value)
/** Which way a tilt goes, or what two of three chances of a turn are, is left to chance in any case. */
const byChance = computed(() => !props.driven || ['tilt', 'turnAny'].includes(props.variation.what))
const lowCheck = (n: number): Sentence | undefined => {
  if (isSize.value && !(n > 0)) return ['A size of 0 or less turns a copy inside out: type more than 0 %.']
  return n <= props.variation.high
    ? undefined
    : ['The low end is not above the high one. Type less, or raise that first.']
}
const highCheck = (n: number): Sentence | undefined => {
  if (props.variation.what === 'tilt')
    return n >= 0 && n <= Math.PI ? undefined : ['A cone opens from 0° to 180° from upright.']
  return n >= props.variation.low
    ? undefined
    : ['The high end is not below the low one. Type more, or lower that first.']
}
const setWhat = (what: Varied): void =>
  void document.change(
    props.undo,
    props.recipe((v) => {
      delete v.colors
      delete v.steps
      Object.assign(v, startVariation(what, v.seed))
    }),
  )
const shadesCheck = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 2 && n <= 64 ? undefined : ['Type a whole number of shades from 2 to 64.']
const choose = (edit: (v: Variation) => void): void => void document.change(props.undo, props.recipe(edit))
</script>

<template>
  <ChoiceValue label="What varies" :value="variation.what" :options="whatOptions" @pick="setWhat" /><template
    v-if="ranged"
  >
    <template v-if="variation.what === 'tilt'"> by up to </template>
    <template v-else>
      between
      <NumberValue
        :value="variation.low"
        :quantity="quantity"
        label="Low"
        :undo="undo"
        :check="lowCheck"
        :edit="(n) => recipe((v) => void (v.low = n))"
      />
      and </template
    ><NumberValue
      :value="variation.high"
      :quantity="quantity"
      label="High"
      :undo="undo"
      :check="highCheck"
      :edit="(n) => recipe((v) => void (v.high = n))" /></template
  ><template v-else-if="variation.colors">
    between
    <ColorValue
      :color="variation.colors.from"
      label="First colour"
      @pick="(c: string) => choose((v) => v.colors && (v.colors.from = c))"
    />
    and
    <ColorValue
      :color="variation.colors.to"
      label="Second colour"
      @pick="(c: string) => choose((v) => v.colors && (v.colors.to = c))"
    />
    in
    <NumberValue
      :value="variation.colors.shades"
      quantity="count"
      label="Shades"
      :undo="undo"
      :check="shadesCheck"
      :edit="(n) => recipe((v) => v.colors && (v.colors.shades = n))"
    />
    shades</template
  ><Clause v-if="!driven && variation.what !== 'turnAny'" :neutral="variation.spread === 'even'"
    >,
    <ChoiceValue
      label="Spread"
      :value="variation.spread"
      :options="spreadOptions"
      @pick="(spread: Variation['spread']) => choose((v) => void (v.spread = spread))" /></Clause
  ><Clause v-if="!isSize && !isColor" :neutral="variation.axes === 'copy'"
    >, in
    <ChoiceValue
      label="Axes"
      :value="variation.axes"
      :options="axesOptions"
      @pick="(axes: Variation['axes']) => choose((v) => void (v.axes = axes))" /></Clause
  ><template v-if="byChance"
    >,
    <SeedValue
      :seed="variation.seed"
      label="Seed"
      :undo="undo"
      :edit="(n) => recipe((v) => void (v.seed = n))"
      v-bind="pattern && { pattern }" /></template
  ><Clause v-if="ranged" :neutral="variation.steps === undefined"
    >, in steps of
    <NumberValue
      :value="variation.steps ?? 0"
      :quantity="quantity"
      state="free"
      label="Steps"
      :undo="undo"
      :check="(n) => (n >= 0 ? undefined : ['Type 0 for no steps, or more.'])"
      :edit="
        (n) =>
          recipe((v) => {
            if (n > 0) v.steps = n
            else delete v.steps
          })
      "
    />
    {{ variation.steps ? '' : '(none)' }}</Clause
  >
</template>
