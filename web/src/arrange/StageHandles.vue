<script setup lang="ts">
import { formatLength } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import { type Arrow, arrowOn } from '../stage/arrow'
import type { Handles } from '../stage/handles'
import { Labels, pinPlaces, REACH, WORD } from '../stage/pinPlaces'
import type { Pin } from '../stage/pins'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useView } from '../stores/view'

/** What lies over the stage for the picked pattern: dimension lines, a dot on every copy, pins to drag. */
const props = defineProps<{
  viewer: Viewer
  handles: Handles
  /** Whether its pins and dimension lines are there; not while copies or several things are handled by pins of their own. */
  pinned: boolean
  frames: number
  picked: ReadonlySet<number>
  numbered: boolean
}>()
const emit = defineEmits<{ grab: [event: PointerEvent, pin: Pin] }>()
const document = useDocument()
const view = useView()

const TICK = 5
const BARB = 11

/** The middle of what is so long, kept within the picture. */
const inside = (middle: number, long: number, all: number): number =>
  Math.min(Math.max(middle, long / 2 + 4), Math.max(all - long / 2 - 4, long / 2 + 4))

/** So wide are the chips at the upper right, in pixels. */
const CHIPS = 340

/** From end to end, with a point of two strokes. */
function shaft({ from, to }: Arrow): string {
  const angle = Math.atan2(to.y - from.y, to.x - from.x)
  const barb = (side: number): string =>
    `M${to.x} ${to.y}l${-BARB * Math.cos(angle + side)} ${-BARB * Math.sin(angle + side)}`
  return `M${from.x} ${from.y}L${to.x} ${to.y}${barb(0.45)}${barb(-0.45)}`
}

const drawn = computed(() => {
  // Read so that every frame draws this anew.
  void props.frames
  const { viewer, handles } = props
  const at = viewer.toScreen.bind(viewer)
  const labels = new Labels()
  const longestFirst = [...(props.pinned ? handles.dimensions : [])].sort((a, b) => b.metres - a.metres)
  const dimensions = longestFirst.flatMap((d) => {
    const [a, b, fa, fb] = [at(d.from), at(d.to), at(d.fromFoot), at(d.toFoot)]
    const length = Math.hypot(b.x - a.x, b.y - a.y)
    if (!a.seen || !b.seen || length < 14) return []
    const text = `${formatLength(d.metres, document.unit)}${d.words ? ` ${d.words}` : ''}`
    const width = text.length * 7.2 + 10
    // In the middle of its line, or as near to it as the picture goes.
    const x = inside((a.x + b.x) / 2, width, viewer.size.width)
    const y = inside((a.y + b.y) / 2, 18, viewer.size.height)
    return labels.take({ x, y, width }) ? [{ key: d.key, a, b, fa, fb, text, width, x, y }] : []
  })
  const dots = handles.dots.flatMap((dot) => {
    const p = at(dot.at)
    return p.seen ? [{ row: dot.row, x: p.x, y: p.y, hand: dot.hand }] : []
  })
  const standing = (props.pinned ? handles.pins : []).flatMap((pin) => {
    const foot = at(pin.at)
    return foot.seen ? [{ pin, x: foot.x, y: foot.y, words: pin.words, plain: pin.plain }] : []
  })
  // What is told over the stage, at the upper right, covers pins.
  for (const y of [16, 32]) labels.put({ x: viewer.size.width - CHIPS / 2, y, width: CHIPS })
  const places = pinPlaces(standing, viewer.size, labels, dots)
  const pins = standing.map(({ pin, x, y }, i) => ({ pin, x, y, ...places[i] }))
  const guides = handles.guides.flatMap((line) => {
    const points = line.map(at)
    return points.every((p) => p.seen)
      ? [points.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('')]
      : []
  })
  const { considered } = view
  const arrow = considered && arrowOn(at, handles.origin, handles.direction(considered.toward))
  return { dimensions, pins, dots, guides, arrow }
})
</script>

<template>
  <svg class="over" aria-hidden="true">
    <path v-for="(d, i) in drawn.guides" :key="`g${i}`" :d="d" class="guide" />
    <g class="dimension">
      <g v-for="d in drawn.dimensions" :key="d.key">
        <path :d="`M${d.fa.x} ${d.fa.y}L${d.a.x} ${d.a.y}M${d.fb.x} ${d.fb.y}L${d.b.x} ${d.b.y}`" class="extension" />
        <path :d="`M${d.a.x} ${d.a.y}L${d.b.x} ${d.b.y}`" />
        <path
          :d="`M${d.a.x - TICK} ${d.a.y + TICK}l${2 * TICK} ${-2 * TICK}M${d.b.x - TICK} ${d.b.y + TICK}l${2 * TICK} ${-2 * TICK}`"
        />
        <rect :x="d.x - d.width / 2" :y="d.y - 9" :width="d.width" height="18" rx="4" />
        <text :x="d.x" :y="d.y + 4">{{ d.text }}</text>
      </g>
    </g>
    <circle
      v-for="dot in drawn.dots"
      :key="dot.row"
      :cx="dot.x"
      :cy="dot.y"
      :r="picked.has(dot.row) ? 4.5 : 2.4"
      class="dot"
      :class="{ picked: picked.has(dot.row) }"
    />
    <text
      v-for="dot in drawn.dots.filter((d) => d.hand)"
      :key="`h${dot.row}`"
      :x="dot.x + 9"
      :y="dot.y + 4"
      class="number hand"
      :class="dot.hand"
      :data-hand="dot.hand"
    >
      {{ dot.hand }}
    </text>
    <template v-if="numbered">
      <text v-for="dot in drawn.dots" :key="`n${dot.row}`" :x="dot.x" :y="dot.y - 7" class="number">
        {{ dot.row + 1 }}
      </text>
    </template>
    <g v-if="drawn.arrow && view.considered" class="arrow" :data-toward="view.considered.words">
      <circle v-if="drawn.arrow.isEndOn" :cx="drawn.arrow.from.x" :cy="drawn.arrow.from.y" r="7" />
      <path v-else :d="shaft(drawn.arrow)" />
      <text :x="drawn.arrow.name.x" :y="drawn.arrow.name.y + 4">{{ view.considered.words }}</text>
    </g>
    <g
      v-for="{ pin, x, y, stem, named } in drawn.pins"
      :key="pin.name"
      class="pin"
      :class="pin.name"
      :data-pin="pin.name"
      @pointerdown.stop="emit('grab', $event, pin)"
    >
      <path v-if="stem" :d="`M${x} ${y}V${y - stem}`" />
      <circle :cx="x" :cy="y - stem" :r="REACH" class="reach" />
      <circle :cx="x" :cy="y - stem" r="5.5" class="head" />
      <text v-if="named" :x="x" :y="y - stem - Math.sign(stem) * WORD + 4">{{ pin.words }}</text>
    </g>
  </svg>
</template>

<style scoped>
.dimension path {
  stroke: var(--ink);
  fill: none;
  stroke-width: 1.1;
}
.dimension .extension {
  stroke-width: 0.6;
  stroke: var(--faint);
}
.dimension rect {
  fill: var(--card);
  stroke: var(--rule);
}
.dimension text {
  font: 600 11.5px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
.guide {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1;
  stroke-dasharray: 4 4;
}
.number {
  font: 600 10px var(--mono);
  fill: var(--ink);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 3px;
}
.number.L {
  fill: var(--ochre);
}
.dot {
  fill: var(--madder);
}
.dot.picked {
  stroke: var(--card);
  stroke-width: 1.5;
}
.arrow path,
.arrow circle {
  fill: none;
  stroke: var(--madder);
  stroke-width: 2.6;
  stroke-linecap: round;
}
.arrow text {
  font: 600 12px var(--sans);
  fill: var(--madder);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 4px;
}
.pin {
  pointer-events: auto;
  cursor: grab;
}
.pin path {
  stroke: var(--madder);
  stroke-width: 1.6;
}
.head {
  fill: var(--card);
  stroke: var(--madder);
  stroke-width: 2.2;
}
.reach {
  fill: transparent;
}
.pin:hover .head {
  fill: var(--madder);
}
.pin text {
  font: 600 11px var(--sans);
  fill: var(--madder);
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--stage);
  stroke-width: 3px;
}
</style>
