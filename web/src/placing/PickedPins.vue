<script setup lang="ts">
import type * as THREE from 'three'
import { computed } from 'vue'
import type { Viewer } from '../stage/viewer'
import { type Grip, type MotionPin, motionPins } from './handles'
import { useTools } from './tools'

/** The pins by which what is picked is moved, turned and sized, and the mark on the one that leads. */
const props = defineProps<{
  viewer: Viewer
  grip: Grip
  /** Where the mark stands; none where one thing alone is picked. */
  mark: THREE.Vector3 | undefined
  frames: number
}>()
const emit = defineEmits<{ grab: [event: PointerEvent, pin: MotionPin] }>()
const tools = useTools()

/** The pins stand so many pixels from the centre. */
const REACH = 74
const STEM = 16

const drawn = computed(() => {
  // Read so that every frame draws this anew.
  void props.frames
  const at = (p: THREE.Vector3) => props.viewer.toScreen(p)
  const reach = REACH * tools.pinSize * props.viewer.metresPerPixel(props.grip.center)
  const { pins, guides } = motionPins(props.grip, tools.tool, reach)
  return {
    pins: pins.flatMap((pin) => {
      const { x, y, seen } = at(pin.at)
      return seen ? [{ pin, x, y }] : []
    }),
    guides: guides.flatMap((line) => {
      const points = line.map(at)
      return points.every((p) => p.seen)
        ? [points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('')]
        : []
    }),
    center: at(props.grip.center),
    mark: props.mark && at(props.mark),
  }
})
/** Half as wide as a letter of a name, in pixels, on average. */
const HALF_LETTER = 3.6
/** The middle of a name beside the edge of the picture, so that all of it is seen. */
function within(x: number, words: string): number {
  const half = words.length * HALF_LETTER
  return Math.min(Math.max(x, half), props.viewer.size.width - half)
}
const head = computed(() => 5.5 * tools.pinSize)
</script>

<template>
  <svg class="over" aria-hidden="true">
    <path v-for="(d, i) in drawn.guides" :key="i" :d="d" class="guide" />
    <g v-if="drawn.mark" class="mark">
      <path :d="`M${drawn.mark.x} ${drawn.mark.y}V${drawn.mark.y - STEM}`" />
      <circle :cx="drawn.mark.x" :cy="drawn.mark.y - STEM" r="5" />
      <text :x="within(drawn.mark.x, 'marked')" :y="drawn.mark.y - STEM - 9">marked</text>
    </g>
    <g class="center">
      <circle :cx="drawn.center.x" :cy="drawn.center.y" r="3.5" />
      <circle :cx="drawn.center.x" :cy="drawn.center.y" r="8" class="ring" />
    </g>
    <g
      v-for="{ pin, x, y } in drawn.pins"
      :key="pin.key"
      class="pin"
      :class="{ pair: pin.words === '' }"
      :data-motion="pin.key"
      @pointerdown.stop="emit('grab', $event, pin)"
    >
      <circle :cx="x" :cy="y" :r="Math.max(12, head + 6)" class="reach" />
      <circle :cx="x" :cy="y" :r="pin.words ? head : head * 0.7" class="head" />
      <text v-if="pin.words" :x="within(x, pin.words)" :y="y - head - 5">{{ pin.words }}</text>
      <title>{{ pin.key.replaceAll('-', ' ') }}</title>
    </g>
  </svg>
</template>

<style scoped>
.guide {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.2;
  opacity: 0.65;
}
.center circle {
  fill: var(--madder);
}
.center .ring {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.2;
}
.mark path {
  stroke: var(--madder);
  stroke-width: 1.6;
}
.mark circle {
  fill: var(--madder);
}
.pin {
  pointer-events: auto;
  cursor: grab;
}
.head {
  fill: var(--card);
  stroke: var(--madder);
  stroke-width: 2;
}
.pair .head {
  fill: var(--madder-wash);
  stroke-width: 1.5;
}
.reach {
  fill: transparent;
}
text {
  font: 600 11px var(--sans);
  fill: var(--madder);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 3px;
}
.pin:hover .head {
  fill: var(--madder);
}
</style>
