<script setup lang="ts">
import type * as THREE from 'three'
import { computed } from 'vue'
import { Labels } from '../stage/pinPlaces'
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
const MARK = 5

const head = computed(() => 5.5 * tools.pinSize)
/** As wide as a letter of a name, in pixels, on average. */
const LETTER = 7.2
/** From a head to the middle of its name above it, or to the end of one beside it. */
const BESIDE = 9

interface Name {
  readonly words: string
  readonly x: number
  readonly y: number
}

/** A name that finds its room above a head, below or beside it, within the picture; none where others stand all around. */
function named(labels: Labels, words: string, { x, y }: { x: number; y: number }, size: number): Name[] {
  const width = words.length * LETTER
  const within = (at: number): number => Math.min(Math.max(at, width / 2), props.viewer.size.width - width / 2)
  const away = size + BESIDE
  const places = [
    { x: within(x), y: y - away },
    { x: within(x), y: y + away },
    { x: within(x + away + width / 2), y },
    { x: within(x - away - width / 2), y },
  ]
  const place = places.find((at) => labels.take({ ...at, width }))
  return place ? [{ words, ...place }] : []
}

const drawn = computed(() => {
  // Read so that every frame draws this anew.
  void props.frames
  const at = (p: THREE.Vector3) => props.viewer.toScreen(p)
  const reach = REACH * tools.pinSize * props.viewer.metresPerPixel(props.grip.center)
  const motion = motionPins(props.grip, tools.tool, reach)
  const pins = motion.pins.flatMap((pin) => {
    const { x, y, seen } = at(pin.at)
    return seen ? [{ pin, x, y }] : []
  })
  const mark = props.mark && at(props.mark)
  const labels = new Labels()
  return {
    pins,
    mark,
    names: [
      ...pins.flatMap(({ pin, x, y }) => (pin.words ? named(labels, pin.words, { x, y }, head.value) : [])),
      ...(mark ? named(labels, 'marked', { x: mark.x, y: mark.y - STEM }, MARK) : []),
    ],
    guides: motion.guides.flatMap((line) => {
      const points = line.map(at)
      return points.every((p) => p.seen)
        ? [points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('')]
        : []
    }),
    center: at(props.grip.center),
  }
})
</script>

<template>
  <svg class="over" aria-hidden="true">
    <path v-for="(d, i) in drawn.guides" :key="i" :d="d" class="guide" />
    <g v-if="drawn.mark" class="mark">
      <path :d="`M${drawn.mark.x} ${drawn.mark.y}V${drawn.mark.y - STEM}`" />
      <circle :cx="drawn.mark.x" :cy="drawn.mark.y - STEM" :r="MARK" />
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
      <title>{{ pin.key.replaceAll('-', ' ') }}</title>
    </g>
    <text v-for="{ words, x, y } in drawn.names" :key="words" :x="x" :y="y">{{ words }}</text>
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
  dominant-baseline: central;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 3px;
}
.pin:hover .head {
  fill: var(--madder);
}
</style>
