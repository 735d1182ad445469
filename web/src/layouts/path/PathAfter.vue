<script setup lang="ts">
import { anchorsOf } from '@hilera/core/curves/anchors'
import type { Path } from '@hilera/core/layouts/path/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { computed } from 'vue'
import CurvePoints from '../../curves/CurvePoints.vue'
import PutOnPath from './PutOnPath.vue'

/** What can be typed point by point: the points, or the anchors of a curve drawn with handles; and what can be put on it. */
const props = defineProps<{ pattern: Pattern }>()
const points = computed(() => {
  const { curve } = props.pattern.layout as Path
  if (curve.kind === 'points') return curve.points
  return curve.kind === 'bezier' && curve.from.kind === 'hand' ? anchorsOf(curve.runs[0]) : undefined
})
</script>

<template>
  <CurvePoints v-if="points" :pattern="pattern" :points="points" />
  <PutOnPath :pattern="pattern" />
</template>
