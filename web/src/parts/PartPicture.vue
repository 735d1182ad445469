<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import { computed } from 'vue'
import { useDocument } from '../stores/document'
import { facePath, pictureOf } from './silhouettes'

/** A part as it looks from the front, drawn to fit. */
const props = defineProps<{ part: Part; size: number }>()
const document = useDocument()

const paths = computed(() => {
  const picture = pictureOf(props.part, document.source)
  if (!picture || picture.faces.length === 0) return []
  const [width, height] = [picture.high[0] - picture.low[0], picture.high[1] - picture.low[1]]
  const scale = (props.size - 6) / Math.max(width, height, 1e-9)
  const x = props.size / 2 - ((picture.low[0] + picture.high[0]) / 2) * scale
  const y = props.size / 2 + ((picture.low[1] + picture.high[1]) / 2) * scale
  return picture.faces.map((face) => ({ d: facePath(face, scale, x, y), fill: face.color ?? props.part.look.color }))
})
</script>

<template>
  <svg :width="size" :height="size" :viewBox="`0 0 ${size} ${size}`" aria-hidden="true">
    <path
      v-for="(path, i) in paths"
      :key="i"
      :d="path.d"
      :fill="path.fill"
      stroke="var(--ink)"
      stroke-opacity="0.35"
      stroke-width="0.6"
    />
  </svg>
</template>
