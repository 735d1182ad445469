<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { formatNumber } from '@hilera/core/numbers/format'
import { computed, watch } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { usePartEdits } from './partEdits'
import { useSymmetries } from './symmetries'

/** Whether a part has a hand: the planes in which it is its own mirror image, and whether it carries lettering. */
const props = defineProps<{ part: Part }>()
const edits = usePartEdits()
const symmetries = useSymmetries()
watch(
  () => props.part.id,
  (id) => {
    symmetries.partId = id
    symmetries.drawn = false
  },
  { immediate: true },
)
const names = ['across', 'up and down', 'deep']
const told = computed(() => {
  const { planes } = symmetries
  if (!planes) return undefined
  const straight = names.filter((_, i) => planes.some(({ normal }) => Math.abs(normal[i]) > 1 - 1e-6))
  return { count: planes.length, straight }
})
const letteringOptions = [
  { value: 'no', words: 'no lettering' },
  { value: 'yes', words: 'lettering', note: 'mirrors keep it readable' },
]
const setLettering = (value: string): void =>
  void edits.change(props.part, 'lettering', (p) => {
    if (value === 'yes') p.lettering = true
    else delete p.lettering
  })
</script>

<template>
  <p v-if="part.shape.kind !== 'light'" class="part-sentence">
    <template v-if="told && told.count > 0"
      >It is its own mirror image in <span class="figure">{{ formatNumber(told.count, 0) }}</span>
      {{ told.count === 1 ? 'plane' : 'planes'
      }}<template v-if="told.straight.length > 0">, facing {{ told.straight.join(' and ') }}</template
      >: a mirror needs no twin of it.
      <button
        type="button"
        class="aside"
        :aria-pressed="symmetries.drawn"
        @click="symmetries.drawn = !symmetries.drawn"
      >
        {{ symmetries.drawn ? 'Hide the planes' : 'Show the planes' }}</button>{{ ' ' }}</template
    ><template v-else-if="told">It has a hand: mirrored, it becomes its twin. </template>It carries
    <ChoiceValue
      label="Lettering"
      :value="part.lettering ? 'yes' : 'no'"
      :options="letteringOptions"
      @pick="setLettering"
    />.
  </p>
</template>
