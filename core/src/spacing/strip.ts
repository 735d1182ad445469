import { type InstanceTable } from '../instances'
import { isImage } from '../slots'
import type { Vec3 } from '../values/values'
import type { RoomEdges } from '../values/spacing'
import type { Range } from '../words'
import type { Extent } from './row'
import { type Support, supportOfCopy } from './support'

/**
 * A pattern unrolled along one direction: every copy that is there, in order along it, as it finally stands.
 * Lengths in metres from the pattern's origin.
 */
export interface Strip {
  readonly count: number
  /** Row of the copy in its table. */
  readonly row: Uint32Array
  readonly low: Float64Array
  readonly high: Float64Array
  readonly pivot: Float64Array
}

/**
 * Measures copies along a direction by their outlines, turned and sized as they are. Empty places are left out, so that
 * the gap beside one is the gap that is seen; so are the images that a reflection made, which stand anywhere.
 *
 * @param wanted which rows; all of them when left out
 */
export const stripAlong = (
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
  wanted: (row: number) => boolean = () => true,
): Strip => stripsAlong(table, direction, supportOf, (row) => (wanted(row) ? 0 : -1))[0] ?? NOTHING

const NOTHING: Strip = {
  count: 0,
  row: new Uint32Array(0),
  low: new Float64Array(0),
  high: new Float64Array(0),
  pivot: new Float64Array(0),
}

/**
 * The same lane by lane, each in order along the direction.
 *
 * @param laneOf the lane of a row, a whole number; below 0 for rows that are in none
 */
export function stripsAlong(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
  laneOf: (row: number) => number,
): Strip[] {
  const { position } = table
  const lanes = new Map<number, number[]>()
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const lane = laneOf(k)
    if (lane < 0) continue
    const known = lanes.get(lane)
    if (known) known.push(k)
    else lanes.set(lane, [k])
  }
  const along = (k: number): number =>
    position[3 * k] * direction[0] + position[3 * k + 1] * direction[1] + position[3 * k + 2] * direction[2]
  const reach = reachAlong(table, direction, supportOf)
  return Array.from(lanes.values(), (order) => {
    let sorted = true
    for (let i = 1; i < order.length && sorted; i++) sorted = along(order[i]) >= along(order[i - 1])
    if (!sorted) order.sort((a, b) => along(a) - along(b))
    const count = order.length
    const strip = {
      count,
      row: Uint32Array.from(order),
      low: new Float64Array(count),
      high: new Float64Array(count),
      pivot: new Float64Array(count),
    }
    for (let i = 0; i < count; i++) {
      const own = reach(order[i])
      const pivot = along(order[i])
      strip.pivot[i] = pivot
      strip.low[i] = pivot + own.low
      strip.high[i] = pivot + own.high
    }
    return strip
  })
}

/**
 * From where to where copies stand along a direction, measured as a room is: between the first and the last pivot, or between their
 * outsides; images of a reflection left out. Undefined where none is there.
 */
export function reachOf(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  edges: RoomEdges,
  supportOf: (thing: number) => Support,
): Range | undefined {
  const reach = reachAlong(table, direction, supportOf)
  let [from, to] = [Infinity, -Infinity]
  const { position: p } = table
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const at = p[3 * k] * direction[0] + p[3 * k + 1] * direction[1] + p[3 * k + 2] * direction[2]
    const own = edges === 'centres' ? CENTRE : reach(k)
    if (at + own.low < from) from = at + own.low
    if (at + own.high > to) to = at + own.high
  }
  return from <= to ? [from, to] : undefined
}
const CENTRE: Extent = { low: 0, high: 0 }

/** How far copies reach along a direction; those that stand unturned and in full size are asked for once. */
function reachAlong(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
): (row: number) => Extent {
  const { quaternion: q, scale: s, thing } = table
  const plain = new Map<number, Extent>()
  const supports = new Map<number, Support>()
  return (k) => {
    const key = 2 * thing[k] + (table.isTwin(k) ? 1 : 0)
    const isPlain = q[4 * k + 3] === 1 && s[3 * k] === 1 && s[3 * k + 1] === 1 && s[3 * k + 2] === 1
    const known = isPlain ? plain.get(key) : undefined
    if (known) return known
    let support = supports.get(thing[k])
    if (!support) {
      support = supportOf(thing[k])
      supports.set(thing[k], support)
    }
    const own = supportOfCopy(table, k, support, direction)
    if (isPlain) plain.set(key, own)
    return own
  }
}
