<script setup lang="ts">
import { eased } from '@hilera/core/motion/easing'
import type { Arrive } from '@hilera/core/motion/arrive/schema'
import type { Change } from '@hilera/core/motion/change/schema'
import type { Bar } from '@hilera/core/motion/definition'
import { type TimingKey, holdTime } from '@hilera/core/motion/timing'
import { formatNumber } from '@hilera/core/numbers/format'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useDragGesture, followPointer } from '../patterns/dragGesture'
import HoldButtons from '../strip/HoldButtons.vue'
import Words from '../sentences/Words.vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { usePlayback } from '../stores/playback'
import { useSelection } from '../stores/selection'
import ChangeLanes from './ChangeLanes.vue'
import ZoomTools from './ZoomTools.vue'
import { useMovementEdits } from './movementEdits'
import { barsShown, onPicture } from './timeScale'
import { CLOSER, useTimeSpan } from './timeSpan'

/** The band under the stage in time: when each copy of the picked pattern moves, and the moment that is looked at. */
const document = useDocument()
const outcomes = useOutcomes()
const playback = usePlayback()
const selection = useSelection()
const edits = useMovementEdits()
const drag = useDragGesture()
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)

/** Room for the figures over the bars, and for the axis under them. */
const [TOP, AXIS] = [20, 22]
const { looked, span, scale, look, wheel } = useTimeSpan(width, () => left())
const moving = computed(() => selection.patternId && playback.playing.of(selection.patternId))
/** The arrival whose bars are drawn; its own or nothing. */
const arrival = computed(() => {
  const own = (selection.pattern?.motion ?? []).filter((m): m is Arrive => m.kind === 'arrive')
  return own.length === 1 ? own[0] : undefined
})
const times = computed(() => {
  const at = selection.pattern?.motion?.findIndex((m) => m === arrival.value) ?? -1
  const came = at >= 0 && selection.patternId ? playback.playing.ownOf(selection.patternId)[at] : undefined
  return came?.ok ? came.value : undefined
})
/** Its numbers that change have a lane each, under the bars. */
const changes = computed(() => (selection.pattern?.motion ?? []).filter((m): m is Change => m.kind === 'change'))
const lane = computed(() => Math.min(20, (height.value - TOP - AXIS) / Math.max(changes.value.length, 1)))
const room = computed(() => height.value - TOP - AXIS - lane.value * changes.value.length)
const drawn = computed(() => {
  const { from, to } = span.value
  const seen = moving.value ? moving.value.bars.filter((bar) => bar.from <= to && bar.to >= from) : []
  const { shown, high } = barsShown(seen, room.value)
  const table = selection.outcome?.table
  const drawnOf = new Map<number, number>()
  return shown.map((bar, i) => {
    // The same element while it is dragged, however its times change.
    const nth = (drawnOf.get(bar.row) ?? 0) + 1
    drawnOf.set(bar.row, nth)
    const [x, end] = [scale.value.x(bar.from), scale.value.x(bar.to)]
    const part = table && outcomes.worked.parts[table.thing[bar.row]]
    return {
      key: `${bar.row} ${nth}`,
      bar,
      x,
      y: TOP + i * high,
      wide: Math.max(end - x, 1),
      high: Math.max(high - 1, 1),
      color: part?.look.color,
    }
  })
})
/** Where the picked pattern stands from the start: from when to when each of the others moves, to pick it by. */
const others = computed(() => {
  if (drawn.value.length + changes.value.length > 0) return []
  const spans = document.project.patterns.flatMap(({ id, name, hidden }) => {
    const span = hidden ? undefined : playback.playing.spanOf(id)
    return span ? [{ id, name, from: span[0], to: span[1] }] : []
  })
  const high = Math.min(16, (height.value - TOP - AXIS) / Math.max(spans.length, 1))
  return spans.map(({ id, name, from, to }, i) => {
    const x = scale.value.x(from)
    return { id, name, from, to, x, y: TOP + i * high, wide: scale.value.x(to) - x, high: Math.max(high - 2, 1) }
  })
})
/** How far each has come, drawn into its bar. */
function curveIn(x: number, y: number, wide: number, high: number): string {
  const easing = arrival.value?.easing ?? 'evenly'
  const steps = 12
  return Array.from({ length: steps + 1 }, (_, i) => {
    const done = Math.min(Math.max(eased(easing, i / steps), 0), 1)
    return `${i === 0 ? 'M' : 'L'}${x + (wide * i) / steps} ${y + high - high * done}`
  }).join('')
}
/** The first gaps between beginnings, with their figures, where there is room for these. */
const gaps = computed(() => {
  const bars = moving.value ? moving.value.bars : []
  const found = bars.slice(1, 4).flatMap((bar, i) => {
    const before = bars[i]
    const [x, end] = [scale.value.x(before.from), scale.value.x(bar.from)]
    return end - x >= 34 ? [{ x, end, words: formatNumber(bar.from - before.from, 3) }] : []
  })
  return found
})
const holds = [
  { value: 'apart', words: 'apart' },
  { value: 'each', words: 'each' },
  { value: 'inAll', words: 'in all' },
] as const
const working = computed(() => times.value?.facts.find(({ about }) => about === 'all')?.says)

const inArrival = (edit: (arrival: Arrive) => void) =>
  edits.recipe(selection.pattern!, arrival.value!.id, (m) => m.kind === 'arrive' && edit(m))
function hold(key: TimingKey): void {
  const came = times.value?.timed
  if (arrival.value && came)
    void document.change(
      `hold of ${key === 'inAll' ? 'in all' : key}`,
      inArrival((a) => holdTime(a, key, came[key])),
    )
}

/** Dragging the first bar moves the beginning, another one how far they are apart; its end, how long each takes. */
function grab(event: PointerEvent, bar: Bar): void {
  const own = arrival.value
  const came = times.value?.timed
  if (!own || !came || own.order === 'chance') return
  event.preventDefault()
  const atEnd = scale.value.x(bar.to) - (event.clientX - left()) < 7
  const rank = Math.round((bar.from - own.begin) / Math.max(came.apart, 1e-9))
  const offset = event.clientX - left() - scale.value.x(bar.from)
  const { rate } = playback.clock
  const what = atEnd ? 'each' : rank === 0 ? 'beginning' : 'apart'
  drag(event, `${what} of ${selection.pattern?.name ?? ''}`, (now, gesture) => {
    const x = now.clientX - left()
    if (atEnd) {
      const each = Math.max(onPicture(scale.value.seconds(x) - bar.from, rate), 1 / rate)
      return void gesture.update(inArrival((a) => holdTime(a, 'each', each)))
    }
    const begin = Math.max(onPicture(scale.value.seconds(x - offset), rate), 0)
    if (rank === 0) return void gesture.update(inArrival((a) => void (a.begin = begin)))
    const apart = Math.max((begin - own.begin) / rank, 0)
    void gesture.update(inArrival((a) => holdTime(a, 'apart', apart)))
  })
}
const left = (): number => frame.value?.getBoundingClientRect().left ?? 0

/** The moment goes where it is pressed, and with the pointer. */
function scrub(event: PointerEvent): void {
  const to = (now: PointerEvent): void =>
    playback.goTo(onPicture(scale.value.seconds(now.clientX - left()), playback.clock.rate))
  to(event)
  followPointer(event, { move: to })
}
function step(event: KeyboardEvent): void {
  const closerBy = { '+': CLOSER, '-': 1 / CLOSER }[event.key]
  if (closerBy !== undefined) {
    event.preventDefault()
    return look(playback.moment, closerBy)
  }
  const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -10, PageUp: 10 }[event.key]
  const to = { Home: 0, End: playback.clock.length }[event.key]
  if (by === undefined && to === undefined) return
  event.preventDefault()
  playback.goTo(to ?? onPicture(playback.moment, playback.clock.rate) + by! / playback.clock.rate)
}
</script>

<template>
  <section class="time" aria-label="Time strip" data-keys="strip">
    <header>
      <h2>Time strip</h2>
      <HoldButtons v-if="arrival && arrival.order !== 'chance'" :options="holds" :held="arrival.hold" @hold="hold" />
      <span class="working note"
        ><template v-if="working"><Words :sentence="working" /></template
      ></span>
      <ZoomTools :closer="looked !== undefined" @look="(by) => look(playback.moment, by)" @all="looked = undefined" />
    </header>
    <div ref="frame" class="frame">
      <svg v-if="width > 0" :width="width" :height="height" @wheel.prevent="wheel">
        <rect class="ground" x="0" y="0" :width="width" :height="height" @pointerdown="scrub" />
        <g class="axis">
          <line :x1="scale.x(span.from)" :x2="scale.x(span.to)" :y1="height - AXIS" :y2="height - AXIS" />
          <template v-for="tick in scale.ticks" :key="tick">
            <line :x1="scale.x(tick)" :x2="scale.x(tick)" :y1="height - AXIS" :y2="height - AXIS + 5" />
            <text :x="scale.x(tick)" :y="height - 5">{{ tick.toFixed(scale.places) }}</text>
          </template>
        </g>
        <g v-for="gap in gaps" :key="gap.x" class="gap">
          <line :x1="gap.x + 1" :x2="gap.end - 1" y1="15" y2="15" />
          <text :x="(gap.x + gap.end) / 2" y="10">{{ gap.words }}</text>
        </g>
        <g
          v-for="{ key, bar, x, y, wide, high, color } in drawn"
          :key="key"
          class="bar"
          :class="{ own: arrival && arrival.order !== 'chance' }"
          :data-bar="bar.row + 1"
          @pointerdown="grab($event, bar)"
        >
          <title>{{ bar.row + 1 }}: {{ formatNumber(bar.from, 3) }} to {{ formatNumber(bar.to, 3) }} s</title>
          <rect :x="x" :y="y" :width="wide" :height="high" rx="1.5" :fill="color ?? 'var(--soft)'" />
          <path v-if="high >= 5" :d="curveIn(x, y, wide, high)" />
          <text v-if="high >= 6" :x="x - 4" :y="y + high">{{ bar.row + 1 }}</text>
        </g>
        <ChangeLanes
          v-if="selection.pattern && changes.length > 0"
          :pattern="selection.pattern"
          :changes="changes"
          :scale="scale"
          :top="TOP + room"
          :high="lane"
        />
        <g
          v-for="{ id, name, from, to, x, y, wide, high } in others"
          :key="id"
          class="other"
          role="button"
          tabindex="0"
          :aria-label="`${name}, ${formatNumber(from, 3)} to ${formatNumber(to, 3)} s: pick it`"
          @click="selection.pickPattern(id)"
          @keydown.enter.prevent="selection.pickPattern(id)"
        >
          <rect :x="x" :y="y" :width="wide" :height="high" rx="2" />
          <text v-if="high >= 8" :x="x + wide + 6" :y="y + high - 2">{{ name }}</text>
        </g>
        <g
          class="moment"
          role="slider"
          tabindex="0"
          aria-label="Moment"
          :aria-valuemin="0"
          :aria-valuemax="playback.clock.length"
          :aria-valuenow="playback.moment"
          :aria-valuetext="`${formatNumber(playback.moment, 3)} s`"
          @pointerdown="scrub"
          @keydown="step"
        >
          <line :x1="scale.x(playback.moment)" :x2="scale.x(playback.moment)" y1="4" :y2="height - AXIS" />
          <circle :cx="scale.x(playback.moment)" cy="6" r="5" />
          <rect class="target" :x="scale.x(playback.moment) - 12" y="0" width="24" height="18" />
        </g>
      </svg>
      <p v-if="drawn.length + changes.length + others.length === 0" class="note none">
        {{
          selection.pattern
            ? 'Nothing of it arrives or leaves: it stands from the start.'
            : 'Pick a pattern: its bars stand here.'
        }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.time {
  display: flex;
  flex-direction: column;
  height: 100%;
  padding: 8px 0 0;
  background: var(--card);
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 28px;
  padding: 0 16px;
  white-space: nowrap;
}
h2 {
  font: 600 13px var(--sans);
  letter-spacing: 0;
}
.working {
  flex: 1;
  text-align: right;
  overflow: hidden;
  text-overflow: ellipsis;
}
.frame {
  position: relative;
  flex: 1;
  min-height: 0;
}
svg {
  display: block;
}
text {
  font: 10.5px var(--mono);
  fill: var(--soft);
}
.ground {
  fill: transparent;
  cursor: ew-resize;
}
.axis line,
.gap line {
  stroke: var(--edge);
}
.axis text,
.gap text {
  text-anchor: middle;
}
.gap line {
  stroke: var(--madder);
}
.gap text {
  fill: var(--madder);
}
.bar rect {
  stroke: var(--ink);
  stroke-width: 0.6;
  stroke-opacity: 0.5;
}
.bar path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.8;
  stroke-opacity: 0.6;
}
.bar text {
  text-anchor: end;
  font-size: 9px;
}
.other text {
  font: 10.5px var(--sans);
}
.other {
  cursor: pointer;
  outline: none;
}
.other rect {
  fill: var(--edge);
  fill-opacity: 0.35;
}
.other:hover rect,
.other:focus-visible rect {
  fill: var(--madder);
  fill-opacity: 0.5;
}
.bar.own {
  cursor: ew-resize;
}
.moment {
  cursor: ew-resize;
  outline: none;
}
.moment line {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.moment circle {
  fill: var(--ink);
}
.moment .target {
  fill: transparent;
}
.moment:focus-visible circle {
  stroke: var(--madder);
  stroke-width: 2;
}
.none {
  position: absolute;
  inset: 26px 16px auto;
  margin: 0;
  pointer-events: none;
}
</style>
