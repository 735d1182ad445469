<script setup lang="ts">
import type { Part } from '@hilera/core/model/part'
import type { Measure } from '@hilera/core/spacing/measure'
import type { Strip } from '@hilera/core/spacing/strip'
import { formatLengthBare } from '@hilera/core/numbers/format'
import type { Vec3 } from '@hilera/core/model/values'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { pictureOf } from '../parts/silhouettes'
import { niceStep } from '../stage/niceStep'
import { useDocument } from '../stores/document'
import type { InstanceTable } from '@hilera/core/instances'
import { blocks, squeezedFace } from './bandPaths'
import { readBetween, rulerMarks, scaleFor } from './stripLayout'

/** One band of a strip: copies to scale on a ruler, figures above them, leftovers in ochre. Tells what is grabbed. */
const props = defineProps<{
  strip: Strip
  table: InstanceTable
  direction: Vec3
  room: { readonly low: number; readonly high: number }
  /** Free lengths at the ends that belong to nobody. */
  left: { readonly start: number; readonly end: number }
  measure: Measure
  picked: number | undefined
  /** Figures between neighbours, where they are not read off the band itself; one more than there are gaps closes a ring. */
  figures?: readonly string[]
  /** Copies turn with what was unrolled: they are shown from the front, whatever their turn. */
  turned?: boolean
  /** Places of corners and of the beginnings of contours, in metres. */
  corners?: readonly number[]
  breaks?: readonly number[]
  /** One of several bands: without a ruler, its figures between the copies. */
  compact?: boolean
  /** Marks of the ruler, where it does not show lengths. */
  ruler?: { readonly step: number; readonly text: (metres: number) => string }
}>()
const emit = defineEmits<{
  grab: [event: PointerEvent, what: { readonly kind: 'copy' | 'gap' | 'end'; readonly index: number }, perMetre: number]
  pick: [row: number]
}>()

/** Beyond this many copies the strip shows plain blocks: silhouettes would be thinner than a line. */
const MOST_DRAWN = 240

const document = useDocument()
const box = useTemplateRef<HTMLElement>('box')
const { width, height } = useElementSize(box)
/** A closed ring ends with its first copy once more. */
const closes = computed(
  () => props.figures !== undefined && props.strip.count > 1 && props.figures.length === props.strip.count,
)
const scale = computed(() => {
  const high = closes.value ? props.room.high + props.strip.high[0] - props.strip.pivot[0] : props.room.high
  return scaleFor(props.strip, { low: props.room.low, high }, Math.max(width.value, 100), 26)
})
const x = (metres: number): number => scale.value.zero + metres * scale.value.perMetre
const floor = computed(() => Math.max(height.value - (props.compact ? 3 : 20), props.compact ? 14 : 30))
const tall = computed(() => Math.max(floor.value - (props.compact ? 2 : 18), 10))
/** Where the figures between copies stand. */
const level = computed(() => (props.compact ? floor.value - tall.value / 2 + 4 : 11))
const few = computed(() => props.strip.count <= MOST_DRAWN)

/** Which way is up in the picture of a strip that runs along a direction. */
const seenAlong = computed<Vec3>(() => (props.turned ? [1, 0, 0] : props.direction))
const above = computed<Vec3>(() => (!props.turned && Math.abs(props.direction[1]) > 0.7 ? [-1, 0, 0] : [0, 1, 0]))
const isPlain = (row: number): boolean => {
  if (props.turned) return true
  const q = props.table.quaternion
  return q[4 * row + 3] > 0.999999 && [0, 1, 2].every((i) => props.table.scale[3 * row + i] === 1)
}

interface Drawn {
  readonly row: number
  readonly index: number
  readonly left: number
  readonly width: number
  readonly faces: readonly { readonly d: string; readonly fill: string }[]
}
const copies = computed<Drawn[]>(() => {
  if (!few.value) return []
  const { strip, table } = props
  const used = new Set(Array.from(strip.row.subarray(0, strip.count), (r) => table.part[r]))
  let highest = 1e-9
  for (const index of used) {
    const picture =
      document.project.parts[index] &&
      pictureOf(document.project.parts[index], document.source, seenAlong.value, above.value)
    if (picture) highest = Math.max(highest, picture.high[1] - picture.low[1])
  }
  // To scale along the ruler; upwards it is pressed together when the band is too low for it.
  const up = Math.min(scale.value.perMetre, tall.value / highest)
  return Array.from({ length: strip.count }, (_, index) => {
    const row = strip.row[index]
    const part: Part | undefined = document.project.parts[table.part[row]]
    const [low, high] = [x(strip.low[index]), x(strip.high[index])]
    const picture = part && pictureOf(part, document.source, seenAlong.value, above.value)
    const plain = part && picture && isPlain(row)
    return {
      row,
      index,
      left: low,
      width: Math.max(high - low, 1.5),
      faces: plain
        ? picture.faces.map((face) => ({
            d: squeezedFace(face, {
              at: x(strip.pivot[index]),
              across: scale.value.perMetre,
              up,
              base: picture.low[1],
              floor: floor.value,
            }),
            fill: face.color ?? part.look.color,
          }))
        : [
            {
              d: `M${low} ${floor.value}V${floor.value - tall.value * 0.8}H${high}V${floor.value}Z`,
              fill: part?.look.color ?? 'var(--edge)',
            },
          ],
    }
  })
})
const manyBlocks = computed(() => (few.value ? '' : blocks(props.strip, x, floor.value, tall.value)))

/** What the neighbours of a gap are to keep free. */
const clearanceAt = (i: number): number => {
  const { strip, table } = props
  const own = (k: number): number => document.project.parts[table.part[strip.row[k]]]?.clearance ?? 0
  return Math.max(own(i), own(i + 1))
}
const gaps = computed(() => {
  const { strip, measure } = props
  if (strip.count < 2 || !few.value) return []
  const step = scale.value.perMetre * (strip.pivot[1] - strip.pivot[0])
  const every = Math.max(1, Math.ceil(44 / Math.max(step, 0.5)))
  const list = []
  for (let i = 0; i + 1 < strip.count; i++) {
    const value = readBetween(strip, i, measure)
    const [a, b] =
      measure === 'pitch'
        ? [strip.pivot[i], strip.pivot[i + 1]]
        : measure === 'gap'
          ? [strip.high[i], strip.low[i + 1]]
          : [strip.low[i], strip.high[i + 1]]
    const clear = strip.low[i + 1] - strip.high[i]
    const overlap = clear < -1e-9
    const close = !overlap && clear < clearanceAt(i) - 1e-9
    if (i % every === 0 || overlap || close)
      list.push({
        i,
        a: x(a),
        b: x(b),
        at: (x(a) + x(b)) / 2,
        text: props.figures?.[i] ?? formatLengthBare(value, document.unit),
        overlap,
        close,
        low: x(strip.low[i + 1]),
        high: x(strip.high[i]),
      })
  }
  return list
})
/** The first copy again, where the ring closes, and the figure before it. */
const ghost = computed(() => {
  const { strip, room, figures = [] } = props
  if (!closes.value || !few.value) return undefined
  const by = room.high
  const [low, high] = [strip.low[0] + by, strip.high[0] + by]
  const last = strip.count - 1
  const from = props.measure === 'gap' ? strip.high[last] : strip.pivot[last]
  const to = props.measure === 'gap' ? low : strip.pivot[0] + by
  return { low: x(low), high: x(high), a: x(from), b: x(to), text: figures[last] }
})
const marks = computed(() => {
  const step = props.ruler?.step ?? niceStep(70 / scale.value.perMetre, document.unit)
  const [low, high] = [
    (10 - scale.value.zero) / scale.value.perMetre,
    (width.value - 10 - scale.value.zero) / scale.value.perMetre,
  ]
  return rulerMarks(low, high, step).map((m) => ({
    ...m,
    x: x(m.at),
    text: props.ruler?.text(m.at) ?? formatLengthBare(m.at, document.unit),
  }))
})
const leftovers = computed(() => {
  const { room, left } = props
  const list = []
  if (left.start > 1e-9)
    list.push({
      x: x(room.low),
      width: left.start * scale.value.perMetre,
      text: formatLengthBare(left.start, document.unit),
    })
  if (left.end > 1e-9)
    list.push({
      x: x(room.high - left.end),
      width: left.end * scale.value.perMetre,
      text: formatLengthBare(left.end, document.unit),
    })
  return list
})
const numbered = (copy: Drawn): boolean => copy.width > 16
</script>

<template>
  <div ref="box" class="band">
    <svg v-if="width > 0" :width="width" :height="height" role="img" :aria-label="`${strip.count} copies to scale`">
      <defs>
        <pattern id="hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="2" height="5" fill="var(--vermilion)" />
        </pattern>
      </defs>
      <g v-for="l in leftovers" :key="l.x" class="leftover">
        <rect :x="l.x" :y="floor - tall * 0.55" :width="l.width" :height="tall * 0.55" />
        <text :x="l.x + l.width / 2" :y="11">{{ l.text }}</text>
      </g>
      <g v-if="!compact" class="ruler">
        <path :d="`M8 ${floor}H${width - 8}`" />
        <path :d="marks.map((m) => `M${m.x.toFixed(1)} ${floor}v${m.named ? 5 : 2.5}`).join('')" />
        <template v-for="m in marks" :key="m.at">
          <text v-if="m.named && m.x < width - 24" :x="m.x" :y="floor + 15">{{ m.text }}</text>
        </template>
      </g>
      <path
        v-for="s in corners ?? []"
        :key="`c${s}`"
        :d="`M${x(s) - 5} ${floor - tall - 6}l5 5l5 -5M${x(s)} ${floor - tall}V${floor}`"
        class="corner"
      />
      <path v-for="s in breaks ?? []" :key="`b${s}`" :d="`M${x(s)} ${floor - tall - 4}V${floor + 8}`" class="break" />
      <path v-if="manyBlocks" :d="manyBlocks" class="blocks" />
      <g
        v-for="copy in copies"
        :key="copy.row"
        class="copy"
        :class="{ picked: copy.row === picked }"
        :data-copy="copy.index + 1"
        @pointerdown="emit('grab', $event, { kind: 'copy', index: copy.index }, scale.perMetre)"
        @click="emit('pick', copy.row)"
      >
        <path v-for="(face, k) in copy.faces" :key="k" :d="face.d" :fill="face.fill" />
        <rect
          v-if="copy.row === picked"
          :x="copy.left - 1.5"
          :y="floor - tall - 1"
          :width="copy.width + 3"
          :height="tall + 1"
          class="frame"
        />
        <template v-if="numbered(copy)">
          <rect
            :x="copy.left + copy.width / 2 - 10"
            :y="floor - tall / 2 - 8"
            width="20"
            height="15"
            rx="3"
            class="plate"
          />
          <text :x="copy.left + copy.width / 2" :y="floor - tall / 2 + 3.5">{{ copy.index + 1 }}</text>
        </template>
      </g>
      <g
        v-for="gap in gaps"
        :key="gap.i"
        class="gap"
        :class="{ overlap: gap.overlap, close: gap.close }"
        :data-gap="gap.i + 1"
        @pointerdown="emit('grab', $event, { kind: 'gap', index: gap.i }, scale.perMetre)"
      >
        <rect
          v-if="gap.overlap"
          :x="gap.low"
          :y="floor - tall"
          :width="Math.max(gap.high - gap.low, 2)"
          :height="tall"
          fill="url(#hatch)"
        />
        <path v-if="!compact" :d="`M${gap.a} 15v5M${gap.b} 15v5M${gap.a} 17.5H${gap.b}`" />
        <rect :x="gap.at - 18" :y="level - 13" width="36" height="24" class="reach" />
        <text :x="gap.at" :y="level">
          {{ gap.text }}
          <title v-if="gap.close">Closer than the clearance of the part</title>
        </text>
      </g>
      <g v-if="ghost" class="gap">
        <path :d="`M${ghost.low} ${floor}V${floor - tall * 0.8}H${ghost.high}V${floor}`" class="ghost" />
        <path :d="`M${ghost.a} 15v5M${ghost.b} 15v5M${ghost.a} 17.5H${ghost.b}`" />
        <text :x="(ghost.a + ghost.b) / 2" :y="level">{{ ghost.text }}</text>
        <text :x="(ghost.low + ghost.high) / 2" :y="floor - tall / 2 + 4" class="again">1</text>
      </g>
      <g
        v-if="!closes"
        class="end"
        data-end
        @pointerdown="emit('grab', $event, { kind: 'end', index: 0 }, scale.perMetre)"
      >
        <path :d="`M${x(room.high)} ${floor - tall}V${floor + 6}`" />
        <rect :x="x(room.high) - 8" :y="floor - tall" width="16" :height="tall + 8" class="reach" />
      </g>
    </svg>
  </div>
</template>

<style scoped>
.band {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
svg {
  position: absolute;
}
text {
  font: 500 11px var(--mono);
  text-anchor: middle;
  user-select: none;
}
.ruler path {
  stroke: var(--edge);
  fill: none;
}
.ruler text {
  fill: var(--soft);
}
.leftover rect {
  fill: var(--ochre-wash);
  stroke: var(--ochre);
  stroke-opacity: 0.4;
  stroke-width: 0.7;
}
.leftover text {
  fill: var(--ochre);
}
.copy {
  cursor: ew-resize;
}
.copy path {
  stroke: var(--ink);
  stroke-opacity: 0.28;
  stroke-width: 0.7;
}
.copy .plate {
  fill: var(--card);
  fill-opacity: 0.86;
}
.copy text {
  fill: var(--ink);
  font-weight: 600;
}
.frame {
  fill: none;
  stroke: var(--madder);
  stroke-width: 1.6;
}
.blocks {
  fill: var(--soft);
  fill-opacity: 0.75;
}
.gap {
  cursor: ew-resize;
}
.gap path {
  stroke: var(--madder);
  fill: none;
}
.gap text {
  fill: var(--madder);
}
.corner {
  fill: none;
  stroke: var(--ink);
  stroke-opacity: 0.6;
}
.break {
  fill: none;
  stroke: var(--ochre);
  stroke-width: 1.5;
}
.gap .ghost {
  stroke: var(--edge);
  stroke-dasharray: 3 3;
}
.gap .again {
  fill: var(--soft);
}
.gap.close path {
  stroke: var(--ochre);
}
.gap.close text {
  fill: var(--ochre);
  text-decoration: underline;
}
.gap.overlap path {
  stroke: var(--vermilion);
}
.gap.overlap text {
  fill: var(--vermilion);
}
.reach {
  fill: transparent;
}
.end {
  cursor: ew-resize;
}
.end path {
  stroke: var(--madder);
  stroke-width: 1.6;
}
</style>
