<script setup lang="ts">
import type { Pattern } from '@hilera/core/model/pattern'
import { useDocument } from '../stores/document'
import ChoiceValue from './ChoiceValue.vue'

/** What counts as the edge of a pattern's copies, when overlaps are found and cleared. */
const props = defineProps<{ pattern: Pattern }>()
const document = useDocument()
const options = [
  { value: 'outline', words: 'from outline to outline', note: 'convex hulls; solids from numbers in their true form' },
  { value: 'mesh', words: 'from surface to surface', note: 'hollows count too; it takes longer' },
]
const set = (edges: string): void =>
  void document.change(`edges of ${props.pattern.name}`, (project) => {
    const found = project.patterns.find((p) => p.id === props.pattern.id)
    if (!found) return
    if (edges === 'mesh') found.edges = 'mesh'
    else delete found.edges
  })
</script>

<template>
  <ChoiceValue label="Measured" :value="pattern.edges ?? 'outline'" :options="options" @pick="set" />
</template>
