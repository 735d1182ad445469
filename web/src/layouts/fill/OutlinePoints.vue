<script setup lang="ts">
import type { Fill } from '@hilera/core/layouts/fill/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import PointList from '../../curves/PointList.vue'
import { useLayoutEdits } from '../layoutEdits'

/** The points of an outline in figures: typed, added and deleted. */
const props = defineProps<{ pattern: Pattern }>()
const edits = useLayoutEdits('fill', () => props.pattern)
const outline = computed(() => (props.pattern.layout as Fill).outline)
const points = computed(() => (outline.value.kind === 'polygon' ? outline.value.points : []))
const point = (i: number, axis: number) => (value: number) =>
  edits.recipe((f) => {
    if (f.outline.kind === 'polygon') f.outline.points[i][axis] = value
  })
const addPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind !== 'polygon') return
    const [a, b] = [f.outline.points[i], f.outline.points[(i + 1) % f.outline.points.length]]
    f.outline.points.splice(i + 1, 0, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2])
  })
const dropPoint = (i: number): void =>
  void edits.change('outline', (f) => {
    if (f.outline.kind === 'polygon' && f.outline.points.length > 3) f.outline.points.splice(i, 1)
  })
</script>

<template>
  <PointList
    v-if="points.length"
    :points="points"
    :axes="['across', 'deep']"
    words="across and deep"
    :least="3"
    :undo="edits.name('outline')"
    :edit="point"
    @add="addPoint"
    @drop="dropPoint"
  />
</template>
