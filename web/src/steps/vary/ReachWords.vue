<script setup lang="ts">
import { definitionOf, type Layout } from '@hilera/core/layouts/index'
import type { Easing } from '@hilera/core/values/graded'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Reach, ReachFrom } from '@hilera/core/values/variation'
import type { Vary } from '@hilera/core/steps/vary/schema'
import { axes, type Axis } from '@hilera/core/values/values'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useDocument } from '../../stores/document'
import type { Recipe } from '../../stores/history'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import { startReach } from './reachWords'

/** Where a variation reaches, and how it fades with the distance from there. */
const props = defineProps<{
  pattern: Pattern
  reach: Reach | undefined
  outcome: PatternUpdate | undefined
  undo: string
  recipe: (edit: (step: Vary) => void) => Recipe
}>()
const document = useDocument()
const change = (edit: (step: Vary) => void): void => void document.change(props.undo, props.recipe(edit))
const reachRecipe = (edit: (reach: Reach) => void): Recipe => props.recipe((s) => s.reach && edit(s.reach))
const fromRecipe = (edit: (from: ReachFrom) => void): Recipe => reachRecipe((r) => edit(r.from))

/** How a variation can keep to another pattern, by what that is laid out on. */
function leadsBy(layout: Layout): string | undefined {
  const definition = definitionOf(layout)
  if (definition.guide) return 'near the path of'
  return definition.area && 'in the outline of'
}
const others = computed(() =>
  document.project.patterns.filter(({ id, layout }) => id !== props.pattern.id && leadsBy(layout) !== undefined),
)
const value = computed(() => {
  const from = props.reach?.from
  if (!from) return 'all'
  if (from.kind === 'pattern') return `of ${from.pattern}`
  return from.kind === 'outline' ? from.outline.kind : from.kind
})
const options = computed(() => [
  { value: 'all', words: 'everywhere' },
  { value: 'point', words: 'near a point' },
  { value: 'plane', words: 'near a plane' },
  { value: 'rectangle', words: 'in a rectangle' },
  { value: 'ellipse', words: 'in an ellipse' },
  ...others.value.map(({ id, name, layout }) => ({
    value: `of ${id}`,
    words: `${leadsBy(layout)} ${name}`,
  })),
])
function set(to: string): void {
  change((s) => {
    if (to === 'all') delete s.reach
    else s.reach = startReach(to, props.outcome?.table, s.reach, document.unit)
  })
}
const easingOptions: { value: Easing; words: string }[] = [
  { value: 'evenly', words: 'evenly' },
  { value: 'slowFirst', words: 'slowly far off' },
  { value: 'slowLast', words: 'slowly nearby' },
  { value: 'slowBoth', words: 'slowly at both ends' },
]
const planeOptions = axes.map((axis) => ({ value: axis, words: `square to ${axis}` }))
const distanceOk = (n: number): Sentence | undefined => (n >= 0 ? undefined : ['A distance is 0 or more.'])
const sideOk = (n: number): Sentence | undefined =>
  n > 0 ? undefined : ['A side is longer than 0. Type a length such as ', { length: 0.3 }, '.']
</script>

<template>
  <ChoiceValue label="Where it reaches" :value="value" :options="options" @pick="set" /><template v-if="reach"
    ><template v-if="reach.from.kind === 'point'">
      at
      <NumberValue
        v-for="(name, i) in axes"
        :key="name"
        :value="reach.from.point[i]"
        quantity="length"
        state="free"
        :label="`Point ${name}`"
        :undo="undo"
        :edit="(n) => fromRecipe((f) => f.kind === 'point' && (f.point[i] = n))" /></template
    ><template v-else-if="reach.from.kind === 'plane'"
      >{{ ' '
      }}<ChoiceValue
        label="Plane"
        :value="reach.from.axis"
        :options="planeOptions"
        @pick="(axis: Axis) => change((s) => s.reach?.from.kind === 'plane' && (s.reach.from.axis = axis))" />
      at
      <NumberValue
        :value="reach.from.at"
        quantity="length"
        state="free"
        label="Plane at"
        :undo="undo"
        :edit="(n) => fromRecipe((f) => f.kind === 'plane' && (f.at = n))" /></template
    ><template v-else-if="reach.from.kind === 'outline' && reach.from.outline.kind !== 'polygon'"
      >{{ ' '
      }}<NumberValue
        v-for="side in ['width', 'depth'] as const"
        :key="side"
        :value="reach.from.outline[side]"
        quantity="length"
        :label="`Reach ${side}`"
        :undo="undo"
        :check="sideOk"
        :edit="
          (n) => fromRecipe((f) => f.kind === 'outline' && f.outline.kind !== 'polygon' && (f.outline[side] = n))
        " />
      across and deep, its middle at
      <NumberValue
        v-for="(name, i) in ['across', 'deep']"
        :key="name"
        :value="reach.from.middle[i]"
        quantity="length"
        state="free"
        :label="`Middle ${name}`"
        :undo="undo"
        :edit="(n) => fromRecipe((f) => f.kind === 'outline' && (f.middle[i] = n))" /></template
    >: all of it up to
    <NumberValue
      :value="reach.full"
      quantity="length"
      label="Full up to"
      :undo="undo"
      :check="distanceOk"
      :edit="(n) => reachRecipe((r) => void (r.full = n))" />
    away, none from
    <NumberValue
      :value="reach.none"
      quantity="length"
      label="None from"
      :undo="undo"
      :check="distanceOk"
      :edit="(n) => reachRecipe((r) => void (r.none = n))" /><template v-if="reach.full !== reach.none"
      >, fading
      <ChoiceValue
        label="Fading"
        :value="reach.easing"
        :options="easingOptions"
        @pick="(easing: Easing) => change((s) => s.reach && (s.reach.easing = easing))" /></template
  ></template>
</template>
