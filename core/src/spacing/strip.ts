import { type InstanceTable } from '../instances'
import { isImage } from '../slots'
import type { Vec3 } from '../values/values'
import type { RoomEdges } from '../values/spacing'
import type { Range } from '../words'
import { Reach } from './reach'
import type { Support } from './support'

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
  const { position: p } = table
  const [dx, dy, dz] = direction
  const lanes = new Map<number, number[]>()
  let [last, order]: [number, number[]] = [NaN, []]
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const lane = laneOf(k)
    if (lane < 0) continue
    // Those of one lane mostly follow each other.
    if (lane !== last) {
      order = lanes.get(lane) ?? []
      lanes.set(lane, order)
      last = lane
    }
    order.push(k)
  }
  const reach = new Reach(table, direction, supportOf)
  return Array.from(lanes.values(), (rows) => {
    const along = (k: number): number => p[3 * k] * dx + p[3 * k + 1] * dy + p[3 * k + 2] * dz
    let sorted = true
    for (let i = 1, before = along(rows[0]); i < rows.length && sorted; i++) {
      const now = along(rows[i])
      sorted = now >= before
      before = now
    }
    if (!sorted) rows.sort((a, b) => along(a) - along(b))
    const count = rows.length
    const row = Uint32Array.from(rows)
    const [low, high, pivot] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)]
    for (let i = 0; i < count; i++) {
      const k = row[i]
      const at = along(k)
      reach.ask(k)
      pivot[i] = at
      low[i] = at + reach.low
      high[i] = at + reach.high
    }
    return { count, row, low, high, pivot }
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
  const reach = new Reach(table, direction, supportOf)
  let [from, to] = [Infinity, -Infinity]
  const { position: p } = table
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const at = p[3 * k] * direction[0] + p[3 * k + 1] * direction[1] + p[3 * k + 2] * direction[2]
    if (edges === 'outsides') reach.ask(k)
    from = Math.min(from, at + reach.low)
    to = Math.max(to, at + reach.high)
  }
  return from <= to ? [from, to] : undefined
}
