<script setup lang="ts">
import { isShaped } from '@hilera/core/evaluation/isShaped'
import { definitionOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import ChoiceValue from '../sentences/ChoiceValue.vue'
import { useDocument } from '../stores/document'

/** Whose outlines a spacing is kept between; said where it makes a difference. */
const props = defineProps<{ pattern: Pattern }>()
const document = useDocument()

const options = [
  { value: 'stand' as const, words: 'as they stand', note: 'sized and turned by their steps and by hand' },
  { value: 'dealt' as const, words: 'as dealt', note: 'in full size and unturned, whatever is done to them after' },
]
const outlines = computed(() => ('outlines' in props.pattern.layout && props.pattern.layout.outlines) || 'stand')
const matters = computed(() => {
  const { layout } = props.pattern
  const partOf = (id: string) => document.project.parts.find((p) => p.id === id)
  return (
    outlines.value === 'dealt' ||
    (definitionOf(layout).goesByStanding?.(layout) !== undefined && isShaped(props.pattern, partOf))
  )
})
const set = (value: 'stand' | 'dealt'): void =>
  void document.change(`outlines of ${props.pattern.name}`, (project) => {
    const layout = project.patterns.find((p) => p.id === props.pattern.id)?.layout
    if (!layout) return
    if (value === 'dealt') Object.assign(layout, { outlines: value })
    else if ('outlines' in layout) delete layout.outlines
  })
</script>

<template>
  <template v-if="matters"
    >, measured <ChoiceValue label="Outlines" :value="outlines" :options="options" @pick="set"
  /></template>
</template>
