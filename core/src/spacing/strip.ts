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
  const columns = new Columns(table.count, table, direction, supportOf)
  let n = 0
  for (let k = 0; k < table.count; k++) if (isOfStrip(table, k) && (!wanted || wanted(k))) columns.put(n++, k)
  return columns.strip(0, n)
}

const isOfStrip = (table: InstanceTable, k: number): boolean => table.isPresent(k) && !isImage(table.slotHigh[k])

/**
 * The same lane by lane, each in order along the direction.
 *
 * @param lanes how many lanes there are
 * @param laneOf the lane of a row, from 0; below 0 for rows that are in none
 */
export function stripsAlong(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
  lanes: number,
  laneOf: (row: number) => number,
): Strip[] {
  const laneAt = new Int32Array(table.count).fill(-1)
  const sizes = new Uint32Array(lanes)
  for (let k = 0; k < laneAt.length; k++) if (isOfStrip(table, k)) sizes[(laneAt[k] = laneOf(k))]++
  const ends = new Uint32Array(lanes)
  for (let lane = 1; lane < lanes; lane++) ends[lane] = ends[lane - 1] + sizes[lane - 1]
  // Measured in the order of the table: down a column of a grid each would be read from far away, which took twice as long.
  const columns = new Columns(ends[lanes - 1] + sizes[lanes - 1], table, direction, supportOf)
  for (let k = 0; k < laneAt.length; k++) if (laneAt[k] >= 0) columns.put(ends[laneAt[k]]++, k)
  return Array.from(sizes, (size, lane) => columns.strip(ends[lane] - size, ends[lane]))
}

/** Rows as they are measured along a direction, strip after strip. */
class Columns {
  private readonly row: Uint32Array
  private readonly low: Float64Array
  private readonly high: Float64Array
  private readonly pivot: Float64Array
  private readonly reach: Reach

  constructor(
    count: number,
    private readonly table: InstanceTable,
    private readonly direction: Readonly<Vec3>,
    supportOf: (thing: number) => Support,
  ) {
    this.row = new Uint32Array(count)
    this.low = new Float64Array(count)
    this.high = new Float64Array(count)
    this.pivot = new Float64Array(count)
    this.reach = new Reach(table, direction, supportOf)
  }

  put(at: number, k: number): void {
    const { reach } = this
    reach.ask(k)
    const along = alongOf(this.table, this.direction, k)
    this.row[at] = k
    this.pivot[at] = along
    this.low[at] = along + reach.low
    this.high[at] = along + reach.high
  }

  /** Those put from one place up to another, in order along the direction. */
  strip(from: number, to: number): Strip {
    const row = this.row.subarray(from, to)
    const [low, high, pivot] = [this.low, this.high, this.pivot].map((column) => column.subarray(from, to))
    const count = to - from
    let isSorted = true
    for (let i = 1; i < count && isSorted; i++) isSorted = pivot[i] >= pivot[i - 1]
    if (isSorted) return { count, row, low, high, pivot }
    const order = Uint32Array.from(row.keys())
    order.sort((a, b) => pivot[a] - pivot[b] || a - b)
    const sorted = (column: Float64Array): Float64Array => Float64Array.from(order, (i) => column[i])
    return { count, row: order.map((i) => row[i]), low: sorted(low), high: sorted(high), pivot: sorted(pivot) }
  }
}

const alongOf = ({ position: p }: InstanceTable, direction: Readonly<Vec3>, k: number): number =>
  p[3 * k] * direction[0] + p[3 * k + 1] * direction[1] + p[3 * k + 2] * direction[2]

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
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || isImage(table.slotHigh[k])) continue
    const at = alongOf(table, direction, k)
    if (edges === 'outsides') reach.ask(k)
    from = Math.min(from, at + reach.low)
    to = Math.max(to, at + reach.high)
  }
  return from <= to ? [from, to] : undefined
}
