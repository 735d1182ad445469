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
export function stripAlong(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
  wanted?: (row: number) => boolean,
): Strip {
  const rows = new Uint32Array(table.count)
  let n = 0
  for (let k = 0; k < rows.length; k++) if (isOfStrip(table, k) && (!wanted || wanted(k))) rows[n++] = k
  return stripOf(rows.subarray(0, n), table, direction, new Reach(table, direction, supportOf))
}

const isOfStrip = (table: InstanceTable, k: number): boolean => table.isPresent(k) && !isImage(table.slotHigh[k])

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
  const lanes = new Map<number, number[]>()
  let [last, order]: [number, number[]] = [NaN, []]
  for (let k = 0; k < table.count; k++) {
    if (!isOfStrip(table, k)) continue
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
  return Array.from(lanes.values(), (rows) => stripOf(Uint32Array.from(rows), table, direction, reach))
}

/** Rows measured along a direction, and put in order along it where they are not. */
function stripOf(rows: Uint32Array, { position: p }: InstanceTable, [dx, dy, dz]: Readonly<Vec3>, reach: Reach): Strip {
  const count = rows.length
  const [low, high, pivot] = [new Float64Array(count), new Float64Array(count), new Float64Array(count)]
  let isSorted = true
  for (let i = 0, before = -Infinity; i < count; i++) {
    const at = 3 * rows[i]
    const along = p[at] * dx + p[at + 1] * dy + p[at + 2] * dz
    isSorted &&= along >= before
    pivot[i] = before = along
  }
  let row = rows
  if (!isSorted) {
    const [unsorted, order] = [pivot.slice(), Uint32Array.from(rows.keys())]
    order.sort((a, b) => unsorted[a] - unsorted[b] || a - b)
    row = order.map((i) => rows[i])
    for (let i = 0; i < count; i++) pivot[i] = unsorted[order[i]]
  }
  for (let i = 0; i < count; i++) {
    reach.ask(row[i])
    low[i] = pivot[i] + reach.low
    high[i] = pivot[i] + reach.high
  }
  return { count, row, low, high, pivot }
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
