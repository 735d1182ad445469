import { type InstanceTable } from '../instances'
import { isImage } from '../slots'
import type { Vec3 } from '../values/values'
import type { RoomEdges } from '../values/spacing'
import type { Range } from '../words'
import type { Extent } from './row'
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

/**
 * How far copies reach along a direction, one after another, without allocation: of a crowd each is turned and sized for itself.
 * Those that stand unturned and in full size are worked out once a thing.
 */
class Reach {
  low = 0
  high = 0
  private readonly plain = new Map<number, Extent>()
  private readonly supports = new Map<number, Support>()
  private readonly way: Vec3 = [0, 0, 0]
  private lastThing = -1
  private lastSupport: Support = () => ({ low: 0, high: 0 })

  constructor(
    private readonly table: InstanceTable,
    private readonly direction: Readonly<Vec3>,
    private readonly supportOf: (thing: number) => Support,
  ) {}

  /** Works out how far one reaches from its pivot: `low` and `high`. */
  ask(k: number): void {
    const { table, direction, way } = this
    const { quaternion: q, scale: s } = table
    const [x, y, z, w] = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
    const [a, b, c] = [s[3 * k], s[3 * k + 1], s[3 * k + 2]]
    const isPlain = w === 1 && a === 1 && b === 1 && c === 1
    const isTwin = table.isTwin(k)
    const key = 2 * table.thing[k] + (isTwin ? 1 : 0)
    let own = isPlain ? this.plain.get(key) : undefined
    if (!own) {
      // The direction as the copy sees it: turned back.
      const [dx, dy, dz] = direction
      const tx = 2 * (z * dy - y * dz)
      const ty = 2 * (x * dz - z * dx)
      const tz = 2 * (y * dx - x * dy)
      way[0] = (isTwin ? -a : a) * (dx + w * tx - y * tz + z * ty)
      way[1] = b * (dy + w * ty - z * tx + x * tz)
      way[2] = c * (dz + w * tz - x * ty + y * tx)
      own = this.supportAt(table.thing[k])(way)
      if (isPlain) this.plain.set(key, own)
    }
    this.low = own.low
    this.high = own.high
  }

  private supportAt(thing: number): Support {
    if (thing === this.lastThing) return this.lastSupport
    const support = this.supports.get(thing) ?? this.supportOf(thing)
    this.supports.set(thing, support)
    this.lastThing = thing
    this.lastSupport = support
    return support
  }
}
