<script setup lang="ts">
import { LONGEST_MOTION } from '@hilera/core/limits'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Change } from '@hilera/core/motion/change/schema'
import { valueAt } from '@hilera/core/motion/change/valueAt'
import { formatNumber } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import { useDragGesture } from '../patterns/dragGesture'
import { usePlayback } from '../stores/playback'
import { useMovementEdits } from './movementEdits'
import { onPicture, type TimeScale } from './timeScale'

/** The numbers of a pattern that change, each a lane: from when to when, and how they go. */
const props = defineProps<{
  pattern: Pattern
  changes: readonly Change[]
  scale: TimeScale
  /** Where the first lane begins, and how high each is, in pixels. */
  top: number
  high: number
}>()
const playback = usePlayback()
const edits = useMovementEdits()
const drag = useDragGesture()
const STEPS = 40

const lanes = computed(() =>
  props.changes.map((change, i) => {
    const { x } = props.scale
    const end = change.keys[change.keys.length - 1].at
    const values = [change.from.value, ...change.keys.map(({ value }) => value)]
    const [low, high] = [Math.min(...values), Math.max(...values)]
    const y = props.top + i * props.high
    const tall = props.high - 4
    const rise = (value: number): number => (high > low ? (value - low) / (high - low) : 0.5)
    const curve = Array.from({ length: STEPS + 1 }, (_, n) => {
      const time = change.from.at + ((end - change.from.at) * n) / STEPS
      return `${n === 0 ? 'M' : 'L'}${x(time)} ${y + tall - tall * Math.min(Math.max(rise(valueAt(change, time)), 0), 1)}`
    }).join('')
    const times = [change.from.at, ...change.keys.map(({ at }) => at)]
    const wide = Math.max(x(end) - x(change.from.at), 1)
    return { change, y, tall, curve, times, x: x(change.from.at), wide, name: change.value.toLowerCase() }
  }),
)

/** Dragging a key moves its time, up to its neighbours; dragging between them moves all of it. */
function grab(event: PointerEvent, { change, times }: (typeof lanes.value)[number], key?: number): void {
  event.preventDefault()
  const { rate } = playback.clock
  const { seconds, x } = props.scale
  const start = event.clientX
  drag(event, `times of ${change.value.toLowerCase()}`, (now, gesture) => {
    const moved = (at: number): number => onPicture(seconds(x(at) + now.clientX - start), rate)
    const by = key === undefined ? Math.max(moved(times[0]), 0) - times[0] : 0
    if (times[times.length - 1] + by > LONGEST_MOTION) return
    void gesture.update(
      edits.recipe(props.pattern, change.id, (m) => {
        if (m.kind !== 'change') return
        if (key === undefined) {
          m.from.at = times[0] + by
          for (const [i, k] of m.keys.entries()) k.at = times[i + 1] + by
          return
        }
        const low = key === 0 ? 0 : times[key - 1] + 1 / rate
        const high = key === times.length - 1 ? LONGEST_MOTION : times[key + 1] - 1 / rate
        const at = Math.min(Math.max(moved(times[key]), low), high)
        if (key === 0) m.from.at = at
        else m.keys[key - 1].at = at
      }),
    )
  })
}
</script>

<template>
  <g v-for="lane in lanes" :key="lane.change.id" class="lane" :data-lane="lane.name">
    <title>{{ lane.name }}: {{ formatNumber(lane.times[0], 3) }} to {{ formatNumber(lane.times.at(-1)!, 3) }} s</title>
    <rect
      class="span"
      :x="lane.x"
      :y="lane.y"
      :width="lane.wide"
      :height="lane.tall"
      rx="2"
      @pointerdown="grab($event, lane)"
    />
    <path :d="lane.curve" />
    <text :x="lane.x + lane.wide + 8" :y="lane.y + lane.tall - 2">{{ lane.name }}</text>
    <rect
      v-for="(time, key) in lane.times"
      :key="key"
      class="key"
      :data-key="key"
      :x="scale.x(time) - 3"
      :y="lane.y - 1"
      width="6"
      :height="lane.tall + 2"
      rx="2"
      @pointerdown="grab($event, lane, key)"
    />
  </g>
</template>

<style scoped>
.span {
  fill: var(--madder-wash);
  stroke: var(--madder);
  stroke-opacity: 0.35;
  cursor: grab;
}
path {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.2;
  pointer-events: none;
}
text {
  font: 10.5px var(--sans);
  fill: var(--soft);
}
.key {
  fill: var(--madder);
  cursor: ew-resize;
}
</style>
