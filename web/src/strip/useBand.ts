import type { InstanceTable } from '@hilera/core/instances'
import type { Part } from '@hilera/core/model/part'
import type { Vec3 } from '@hilera/core/values/values'
import { formatLengthBare } from '@hilera/core/numbers/format'
import type { Measure } from '@hilera/core/values/spacing'
import type { Strip } from '@hilera/core/spacing/strip'
import { computed, type Ref } from 'vue'
import { supportOfCopy } from '@hilera/core/spacing/support'
import { pictureOfCopy } from '../parts/silhouettes'
import { niceStep } from '@hilera/core/numbers/niceStep'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { blocks, squeezedFace } from './bandPaths'
import { readBetween, rulerMarks, scaleFor, figuresWithRoom } from './stripLayout'

/** What a band of a strip shows. */
export interface DrawnBand {
  strip: Strip
  table: InstanceTable
  direction: Vec3
  room: { readonly low: number; readonly high: number }
  /** Free lengths at the ends that belong to nobody. */
  left: { readonly start: number; readonly end: number }
  measure: Measure
  /** Rows of copies that are picked. */
  picked: ReadonlySet<number> | undefined
  /** Figures between neighbours, where they are not read off the band itself; one more than there are gaps closes a ring. */
  figures?: readonly string[]
  /** From where a copy is seen, in the pattern's axes: to the right and up on the strip; along its direction where it is absent. */
  seen?: (row: number) => { readonly along: Vec3; readonly above: Vec3 }
  /** Places of corners and of the beginnings of contours, in metres. */
  corners?: readonly number[]
  breaks?: readonly number[]
  /** Nothing of it is dragged. */
  still?: boolean
  /** One of several bands: without a ruler, its figures between the copies. */
  compact?: boolean
  /** Marks of the ruler, where it does not show lengths: the step for marks at least so many metres apart, in the band's room alone. */
  ruler?: { readonly step: (least: number) => number; readonly text: (metres: number) => string }
}

/** Beyond this many copies the strip shows plain blocks: silhouettes would be thinner than a line. */
const MOST_DRAWN = 240

/** A copy on the strip. */
interface Drawn {
  readonly row: number
  readonly index: number
  readonly left: number
  readonly width: number
  /** Where its number stands: in the middle of it, or as low as it goes. */
  readonly middle: number
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
  const above = computed<Vec3>(() => (Math.abs(props.direction[1]) > 0.7 ? [-1, 0, 0] : [0, 1, 0]))
  const seenAs = (row: number): { readonly along: Vec3; readonly above: Vec3 } =>
    props.seen?.(row) ?? { along: props.direction, above: above.value }

  const copies = computed<Drawn[]>(() => {
    if (!few.value) return []
    const { strip, table } = props
    const seen = Array.from({ length: strip.count }, (_, index) => {
      const row = strip.row[index]
      const part: Part | undefined = outcomes.worked.parts[table.thing[row]]
      const directions = seenAs(row)
      const { low, high } = supportOfCopy(table, row, outcomes.supportOf(table.thing[row]), directions.above)
      const picture = part && pictureOfCopy(part, outcomes.source, table, row, directions)
      return { index, row, part, picture, low, high }
    })
    const highest = seen.reduce((most, { low, high }) => Math.max(most, high - low), 1e-9)
    // To scale along the ruler; upwards all are pressed together alike where the band is too low for them.
    const up = Math.min(scale.value.perMetre, tall.value / highest)
    return seen.map(({ index, row, part, picture, low, high }) => {
      const [from, to] = [x(strip.low[index]), x(strip.high[index])]
      const fill = part?.look.color ?? 'var(--edge)'
      return {
        row,
        index,
        left: from,
        width: Math.max(to - from, 1.5),
        middle: floor.value - Math.max(((high - low) * up) / 2, 9),
        faces: picture
          ? picture.map((face) => ({
              d: squeezedFace(face, {
                at: x(strip.pivot[index]),
                across: scale.value.perMetre,
                up,
                base: low,
                floor: floor.value,
              }),
              fill: face.color ?? fill,
            }))
          : [{ d: `M${from} ${floor.value}V${floor.value - (high - low) * up}H${to}V${floor.value}Z`, fill }],
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
    const shown = figuresWithRoom(list.map((gap) => ({ ...gap, matters: gap.overlap || gap.close })))
    return list.map((gap, i) => (shown[i] ? gap : { ...gap, text: '' }))
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
    const { ruler, room } = props
    const least = 70 / scale.value.perMetre
    const [low, high] = ruler
      ? [room.low, room.high]
      : [(10 - scale.value.zero) / scale.value.perMetre, (width.value - 10 - scale.value.zero) / scale.value.perMetre]
    const step = ruler?.step(least) ?? niceStep(least, document.unit)
    return rulerMarks(low, high, step).map((m) => ({
      ...m,
      x: x(m.at),
      text: ruler?.text(m.at) ?? formatLengthBare(m.at, document.unit),
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
