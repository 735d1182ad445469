<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import type { Sentence } from '@hilera/core/words'
import NumberValue from '../sentences/NumberValue.vue'
import { usePartEdits } from './partEdits'

/** The distance that copies of a part are to keep free. */
const props = defineProps<{ part: Part }>()
const edits = usePartEdits()
const check = (n: number): Sentence | undefined => (n >= 0 ? undefined : ['A distance is 0 or more.'])
const set = (n: number) =>
  edits.recipe(props.part.id, (p) => {
    if (n > 0) p.clearance = n
    else delete p.clearance
  })
</script>

<template>
  <p class="part-sentence">
    Its copies are to keep
    <NumberValue
      :value="part.clearance ?? 0"
      quantity="length"
      state="free"
      label="Clearance"
      :undo="`clearance of ${part.name}`"
      :check="check"
      :edit="set"
    />
    clear; gaps below it are marked in the strip.
  </p>
</template>
