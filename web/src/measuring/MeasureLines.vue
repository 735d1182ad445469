<script setup lang="ts">
import { formatLength } from '@hilera/core/numbers/format'
import * as THREE from 'three'
import { computed } from 'vue'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { usePlans } from '../under/plans'
import { useMeasuring } from './measuring'

/** Measured distances as dimension lines on the stage: those that were kept, and the one that is looked at. */
const props = defineProps<{ viewer: Viewer; frames: number }>()
const document = useDocument()
const measuring = useMeasuring()
const plans = usePlans()
const TICK = 5

const lines = computed(() => {
  // Read so that every frame draws this anew.
  void props.frames
  const first = measuring.found[0]
  const now =
    first?.line && 'length' in first.says ? [{ id: 'now', line: first.line, metres: first.says.length, now: true }] : []
  const { scaling, between } = plans
  // The two places by which a plan is being scaled, with what lies between them as it is now.
  const scaled = scaling ? [{ id: 'scale', line: [scaling.from, scaling.to] as const, metres: between, now: true }] : []
  return [...measuring.kept.map((k) => ({ ...k, now: false })), ...now, ...scaled].flatMap(
    ({ id, line, metres, now }) => {
      const [a, b] = line.map((p) => props.viewer.toScreen(new THREE.Vector3(...p)))
      if (!a.seen || !b.seen) return []
      const text = formatLength(metres, document.unit)
      return [{ id, a, b, text, now, x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, width: text.length * 7.2 + 10 }]
    },
  )
})
</script>

<template>
  <svg class="over" aria-hidden="true">
    <g v-for="l in lines" :key="l.id" :class="{ now: l.now }" :data-measure="l.id">
      <path :d="`M${l.a.x} ${l.a.y}L${l.b.x} ${l.b.y}`" />
      <path
        :d="`M${l.a.x - TICK} ${l.a.y + TICK}l${2 * TICK} ${-2 * TICK}M${l.b.x - TICK} ${l.b.y + TICK}l${2 * TICK} ${-2 * TICK}`"
      />
      <rect :x="l.x - l.width / 2" :y="l.y - 9" :width="l.width" height="18" rx="4" />
      <text :x="l.x" :y="l.y + 4">{{ l.text }}</text>
    </g>
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.1;
}
rect {
  fill: var(--card);
  stroke: var(--rule);
}
text {
  font: 600 11.5px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
.now path {
  stroke: var(--verdigris);
  stroke-width: 1.6;
}
.now text {
  fill: var(--verdigris);
}
</style>
