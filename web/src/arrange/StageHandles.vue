<script setup lang="ts">
import { formatLength } from '@hilera/core/numbers/format'
import { computed } from 'vue'
import type { Handles, Pin } from '../stage/handles'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'

/** What lies over the stage for the picked pattern: dimension lines, a dot on every copy, pins to drag. */
const props = defineProps<{ viewer: Viewer; handles: Handles; frames: number; picked: number | undefined }>()
const emit = defineEmits<{ grab: [event: PointerEvent, pin: Pin] }>()
const document = useDocument()

const STEM = 30
const TICK = 5

const drawn = computed(() => {
  // Read so that every frame draws this anew.
  void props.frames
  const { viewer, handles } = props
  const at = viewer.toScreen.bind(viewer)
  const dimensions = handles.dimensions.flatMap((d) => {
    const [a, b, fa, fb] = [at(d.from), at(d.to), at(d.fromFoot), at(d.toFoot)]
    const length = Math.hypot(b.x - a.x, b.y - a.y)
    if (!a.seen || !b.seen || length < 14) return []
    const text = `${formatLength(d.metres, document.unit)}${d.words ? ` ${d.words}` : ''}`
    const width = text.length * 7.2 + 10
    return [{ key: d.key, a, b, fa, fb, text, width, x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }]
  })
  const pins = handles.pins.flatMap((pin) => {
    const foot = at(pin.at)
    return foot.seen ? [{ pin, x: foot.x, y: foot.y }] : []
  })
  const dots = handles.dots.flatMap((dot) => {
    const p = at(dot.at)
    return p.seen ? [{ row: dot.row, x: p.x, y: p.y }] : []
  })
  return { dimensions, pins, dots }
})
const words: Record<Pin['name'], string> = { move: 'move', turn: 'turn', pitch: 'pitch', end: 'end', more: 'more' }
</script>

<template>
  <svg class="over" aria-hidden="true">
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
      :r="dot.row === picked ? 4.5 : 2.4"
      class="dot"
      :class="{ picked: dot.row === picked }"
    />
    <g
      v-for="{ pin, x, y } in drawn.pins"
      :key="pin.name"
      class="pin"
      :class="pin.name"
      :data-pin="pin.name"
      @pointerdown.stop="emit('grab', $event, pin)"
    >
      <path :d="`M${x} ${y}V${y - STEM}`" />
      <circle :cx="x" :cy="y - STEM" r="14" class="reach" />
      <circle :cx="x" :cy="y - STEM" r="5.5" class="head" />
      <text :x="x" :y="y - STEM - 11">{{ words[pin.name] }}</text>
    </g>
  </svg>
</template>

<style scoped>
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
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
.dot {
  fill: var(--madder);
}
.dot.picked {
  stroke: var(--card);
  stroke-width: 1.5;
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
