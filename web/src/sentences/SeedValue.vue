<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import type { Sentence } from '@hilera/core/words'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import ChoiceValue from './ChoiceValue.vue'
import NumberValue from './NumberValue.vue'

/** A seed: of one thing that is left to chance, or one for all of them in a pattern. */
const props = defineProps<{
  seed: number
  label: string
  undo: string
  edit: (seed: number) => Recipe
  /** Absent where no pattern could share its seed. */
  pattern?: Pattern
}>()
const document = useDocument()
const shared = computed(() => props.pattern?.seed)
const check = (n: number): Sentence | undefined =>
  Number.isInteger(n) && n >= 0 && n <= 0xffffffff ? undefined : ['A seed is a whole number from 0.']
const inPattern =
  (change: (pattern: Pattern) => void): Recipe =>
  (project) => {
    const found = project.patterns.find((p) => p.id === props.pattern?.id)
    if (found) change(found)
  }
const editShown = (n: number): Recipe =>
  shared.value === undefined ? props.edit(n) : inPattern((p) => void (p.seed = n))
const whoseOptions = [
  { value: 'own', words: 'of its own' },
  { value: 'all', words: 'for all', note: 'one for everything in the pattern that is left to chance' },
]
const setWhose = (whose: string): void =>
  void document.change(
    `seed of ${props.pattern!.name}`,
    inPattern((p) => {
      if (whose === 'all') p.seed = props.seed
      else delete p.seed
    }),
  )
</script>

<template>
  seed
  <NumberValue
    :value="shared ?? seed"
    quantity="count"
    :label="label"
    :undo="undo"
    :check="check"
    :edit="editShown"
  /><template v-if="pattern"
    >{{ ' '
    }}<ChoiceValue
      :label="`Whose ${label.toLowerCase()}`"
      :value="shared === undefined ? 'own' : 'all'"
      :options="whoseOptions"
      @pick="setWhose"
  /></template>
</template>
