import type { InstanceTable } from '@hilera/core/instances'
import type { Part } from '@hilera/core/model/part'
import type { Vec3 } from '@hilera/core/values/values'
import { formatLengthBare } from '@hilera/core/numbers/format'
import type { Measure } from '@hilera/core/values/spacing'
import type { Strip } from '@hilera/core/spacing/strip'
import { computed, type Ref } from 'vue'
import { pictureOf } from '../parts/silhouettes'
import { niceStep } from '../stage/niceStep'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { blocks, squeezedFace } from './bandPaths'
import { readBetween, rulerMarks, scaleFor } from './stripLayout'

/** What a band of a strip shows. */
export interface DrawnBand {
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
}

/** Beyond this many copies the strip shows plain blocks: silhouettes would be thinner than a line. */
const MOST_DRAWN = 240

/** A copy on the strip. */
interface Drawn {
  readonly row: number
  readonly index: number
  readonly left: number
  readonly width: number
  readonly faces: readonly { readonly d: string; readonly fill: string }[]
}

/** Works out how a band is drawn in so many pixels: copies to scale, figures between them, the ruler and what is left over. */
export function useBand(
  props: DrawnBand,
  { width, height }: { readonly width: Ref<number>; readonly height: Ref<number> },
) {
  const document = useDocument()
  const outcomes = useOutcomes()
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

  const copies = computed<Drawn[]>(() => {
    if (!few.value) return []
    const { strip, table } = props
    const used = new Set(Array.from(strip.row.subarray(0, strip.count), (r) => table.thing[r]))
    let highest = 1e-9
    for (const index of used) {
      const picture =
        outcomes.worked.parts[index] &&
        pictureOf(outcomes.worked.parts[index], outcomes.source, seenAlong.value, above.value)
      if (picture) highest = Math.max(highest, picture.high[1] - picture.low[1])
    }
    // To scale along the ruler; upwards it is pressed together when the band is too low for it.
    const up = Math.min(scale.value.perMetre, tall.value / highest)
    return Array.from({ length: strip.count }, (_, index) => {
      const row = strip.row[index]
      const part: Part | undefined = outcomes.worked.parts[table.thing[row]]
      const [low, high] = [x(strip.low[index]), x(strip.high[index])]
      const picture = part && pictureOf(part, outcomes.source, seenAlong.value, above.value)
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
    const own = (k: number): number => outcomes.worked.parts[table.thing[strip.row[k]]]?.clearance ?? 0
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

  return { closes, scale, x, floor, tall, level, copies, manyBlocks, gaps, ghost, marks, leftovers }
}
