<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { useSeparateEdits } from '../../links/separateEdits'
import { useDrawEdits } from '../../patterns/drawEdits'

/** More spots are clicked on the stage; copies that were made separate can be the pattern again that they were. */
defineProps<{ pattern: Pattern }>()
const draw = useDrawEdits()
const separate = useSeparateEdits()
</script>

<template>
  <button type="button" class="aside" @click="draw.addSpots(pattern)">Click more spots on the stage</button>
  <template v-if="pattern.was">
    {{ ' · ' }}
    <button type="button" class="aside" @click="separate.backToPattern(pattern)">
      Make it the pattern that it was
    </button>
  </template>
</template>
