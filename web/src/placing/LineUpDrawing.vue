<script setup lang="ts">
import type { Edge } from '@hilera/core/placing/edges'
import type { LineUp } from '@hilera/core/placing/lineUp'
import { computed } from 'vue'

/** Both outlines along the axis, whose points are clicked instead of words. */
const props = defineProps<{ how: LineUp; these: string; that: string }>()
const emit = defineEmits<{ change: [how: LineUp] }>()

const [WIDTH, HEIGHT] = [112, 44]
/** Where points lie on an outline, by the axis: from left to right, or from bottom to top. */
function placeOf(edge: Edge): { x: number; y: number } {
  const upright = props.how.axis === 1
  const along = { low: 0, middle: 0.5, high: 1, pivot: 0.5 }[edge]
  if (edge === 'pivot') return upright ? { x: WIDTH / 2 + 16, y: HEIGHT } : { x: WIDTH / 2, y: HEIGHT }
  return upright ? { x: WIDTH / 2, y: HEIGHT * (1 - along) } : { x: WIDTH * along, y: HEIGHT / 2 }
}
const shown = computed<readonly Edge[]>(() =>
  props.how.axis === 'all' ? ['middle', 'pivot'] : ['low', 'middle', 'high', 'pivot'],
)
const words: Readonly<Record<Edge, string>> = { low: 'first face', middle: 'middle', high: 'last face', pivot: 'pivot' }
const sides = computed(() => [
  { key: 'theirs' as const, x: 12, name: props.these, picked: props.how.theirs },
  ...(props.how.to === 'plane' ? [] : [{ key: 'its' as const, x: 176, name: props.that, picked: props.how.its }]),
])
const line = computed(() => {
  if (props.how.to === 'plane') return undefined
  const [a, b] = [placeOf(props.how.theirs), placeOf(props.how.its)]
  return { x1: a.x + 12, y1: a.y + 12, x2: b.x + 176, y2: b.y + 12 }
})
const pick = (key: 'theirs' | 'its', edge: Edge): void => emit('change', { ...props.how, [key]: edge })
const cut = (name: string): string => (name.length > 22 ? `${name.slice(0, 21)}…` : name)
</script>

<template>
  <svg viewBox="0 0 300 82" class="drawing" role="group" aria-label="What is lined up with what">
    <line v-if="line" v-bind="line" class="between" />
    <g v-for="side in sides" :key="side.key" :transform="`translate(${side.x} 12)`">
      <rect :width="WIDTH" :height="HEIGHT" rx="2" />
      <g
        v-for="edge in shown"
        :key="edge"
        role="radio"
        tabindex="0"
        :aria-checked="edge === side.picked"
        :aria-label="`${side.name}: ${words[edge]}`"
        @click="pick(side.key, edge)"
        @keydown.enter.prevent.stop="pick(side.key, edge)"
        @keydown.space.prevent.stop="pick(side.key, edge)"
      >
        <circle :cx="placeOf(edge).x" :cy="placeOf(edge).y" r="12" class="reach" />
        <circle :cx="placeOf(edge).x" :cy="placeOf(edge).y" r="4.5" :class="{ picked: edge === side.picked }" />
        <title>{{ words[edge] }}</title>
      </g>
      <text :x="WIDTH / 2" :y="HEIGHT + 20">{{ cut(side.name) }}</text>
    </g>
  </svg>
</template>

<style scoped>
.drawing {
  display: block;
  width: 100%;
  max-width: 300px;
  margin: 6px 0 2px;
}
rect {
  fill: var(--stage);
  stroke: var(--edge);
}
circle {
  fill: var(--card);
  stroke: var(--edge);
}
circle.picked {
  fill: var(--madder);
  stroke: var(--madder);
}
.reach {
  fill: transparent;
  stroke: none;
}
[role='radio'] {
  cursor: pointer;
}
[role='radio']:focus-visible circle:not(.reach) {
  stroke: var(--madder);
  stroke-width: 2.5;
}
.between {
  stroke: var(--edge);
  stroke-dasharray: 3 3;
}
text {
  font: 600 10.5px var(--sans);
  fill: var(--soft);
  text-anchor: middle;
}
</style>
