<script setup lang="ts">
import type { Companion } from '@hilera/core/layouts/companion/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import { useLayoutEdits } from '../layoutEdits'
import { useDocument } from '../../stores/document'
import type { PatternUpdate } from '../../worker/messages'
import ChoiceValue from '../../sentences/ChoiceValue.vue'
import Clause from '../../sentences/Clause.vue'
import LayoutFacts from '../../sentences/LayoutFacts.vue'
import NumberValue from '../../sentences/NumberValue.vue'
import Step from '../../sentences/Step.vue'

const props = defineProps<{ pattern: Pattern; outcome: PatternUpdate | undefined; number: number }>()
const document = useDocument()
const edits = useLayoutEdits('companion', () => props.pattern)
const companion = computed(() => props.pattern.layout as Companion)
const hostOptions = computed(() =>
  document.project.patterns.filter((p) => p.id !== props.pattern.id).map((p) => ({ value: p.id, words: p.name })),
)
/** Ties: where a companion can be fixed on its host, the named points of the host's parts among them. */
const pointNames = computed(() => {
  const host = document.project.patterns.find((p) => p.id === companion.value.host)
  const names = document.project.parts.filter((p) => host?.deal.parts.includes(p.id)).flatMap((p) => p.points ?? [])
  return [...new Set(names.map((p) => p.name))]
})
const tie = computed(() =>
  companion.value.at === 'point' ? `point ${companion.value.point ?? ''}` : companion.value.at,
)
const atOptions = computed(() => [
  { value: 'base' as const, words: 'base' },
  { value: 'centre' as const, words: 'centre' },
  { value: 'top' as const, words: 'top' },
  { value: 'pivot' as const, words: 'pivot' },
  ...pointNames.value.map((name) => ({ value: `point ${name}`, words: name, note: 'a point on its part' })),
])
function setTie(value: string): void {
  edits.change('tie', (c) => {
    const point = /^point (.*)$/.exec(value)?.[1]
    if (point === undefined) Object.assign(c, { at: value, point: undefined })
    else Object.assign(c, { at: 'point', point })
  })
}
const axesOptions = [
  { value: 'copy' as const, words: 'in its own axes', note: 'a turned host turns its companion' },
  { value: 'world' as const, words: 'in the world’s axes' },
]
const set = (what: 'offset' | 'turn', axis: number) => (value: number) =>
  edits.recipe((c) => void (c[what][axis] = value))
const every = (value: number) => edits.recipe((c) => void (c.every = value))
const whole = (value: number) => (Number.isInteger(value) && value >= 1 ? undefined : ['Type a whole number from 1.'])
/** The ending that makes an ordinal of a number as it stands before it: every 2 nd. Of one, nothing is said. */
const nth = (n: number): string => {
  if (n === 1) return ''
  const teens = n % 100 > 10 && n % 100 < 14
  return teens ? 'th' : ({ 1: 'st', 2: 'nd', 3: 'rd' }[n % 10] ?? 'th')
}
const names = ['across', 'up', 'deep']
</script>

<template>
  <Step :number="number" :name="`${pattern.id} layout`">
    Place one with every
    <NumberValue
      :value="companion.every"
      quantity="count"
      state="free"
      label="Every"
      :undo="edits.name('every')"
      :check="whole"
      :edit="every"
    />{{ nth(companion.every) }} copy of
    <ChoiceValue
      label="Host"
      :value="companion.host"
      :options="hostOptions"
      @pick="(h: string) => edits.change('host', (c) => void (c.host = h))"
    />, at its <ChoiceValue label="Tied to" :value="tie" :options="atOptions" @pick="setTie" /><Clause
      :neutral="companion.offset.every((n) => n === 0)"
      >, moved
      <NumberValue
        v-for="(name, i) in names"
        :key="name"
        :value="companion.offset[i]"
        quantity="length"
        state="free"
        :label="`Offset ${name}`"
        :undo="edits.name('offset')"
        :edit="set('offset', i)"
      />
      across, up and deep</Clause
    ><Clause :neutral="companion.turn.every((n) => n === 0)"
      >, turned
      <NumberValue
        v-for="(name, i) in names"
        :key="`t${name}`"
        :value="companion.turn[i]"
        quantity="angle"
        state="free"
        :label="`Turn about ${name}`"
        :undo="edits.name('turn')"
        :edit="set('turn', i)"
      />
      about across, up and deep</Clause
    ><Clause :neutral="companion.axes === 'copy'"
      >,
      <ChoiceValue
        label="Axes"
        :value="companion.axes"
        :options="axesOptions"
        @pick="(a: Companion['axes']) => edits.change('axes', (c) => void (c.axes = a))" /></Clause
    >.
    <template #facts><LayoutFacts :outcome="outcome" /></template>
  </Step>
</template>
