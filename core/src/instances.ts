import { type Quaternion, rotate } from './geometry/rotation'
import type { Vec3 } from './geometry/vec'

/** Marks of a copy, or-ed together in `InstanceTable.flags`. */
export const Flag = {
  /** Carries a touch-up. */
  touched: 1,
  /** Its place is left empty: kept in the table so that it can be brought back, never drawn or exported. */
  empty: 2,
  /** Stands in the part's mirror image: the part reflected across in its own axes, faces looking outward. */
  twin: 4,
  /** Moved across by a mirror: kept so that the mirror can be worked out from it, never drawn or exported. */
  away: 8,
  /** Left out so that others are clear: kept in lists, never drawn or exported. */
  leftOut: 16,
  /** Stays where it is while others are cleared. */
  held: 32,
  /** Stays where it is while others settle. */
  unsettled: 64,
} as const

/** Where a copy stands: moved, turned and sized along its own axes. Metres, a unit quaternion x y z w, factors above 0. */
export interface Placing {
  readonly move: Vec3
  readonly turn: Quaternion
  readonly size: Vec3
}

/**
 * The only shape in which copies travel: a struct of arrays, in the pattern's own axes, metres, quaternions x y z w.
 *
 * `slotLow` and `slotHigh` are the two halves of the slot, a copy's identity within its pattern. `thing` counts into the
 * project's things: its parts first, then its patterns. Rows beyond `count` are spare room: a table grows by doubling and is
 * reused from one evaluation to the next, so that steps allocate nothing per copy.
 *
 * Who is there is asked with `isPresent`, and nowhere else by the flags themselves.
 */
export class InstanceTable {
  count = 0
  /** Rows by slots, made when first asked for; private, so that a table that crosses to another thread leaves it behind. */
  #index: SlotIndex | undefined
  position = new Float64Array(0)
  quaternion = new Float64Array(0)
  scale = new Float64Array(0)
  thing = new Uint32Array(0)
  slotLow = new Uint32Array(0)
  slotHigh = new Uint32Array(0)
  flags = new Uint8Array(0)
  /** How grain and pictures lie on a copy, and its colour: 0 as on its part, otherwise a number of the surface frames that go with the table. */
  surface = new Uint32Array(0)

  /** Whether the copy in a row is drawn, counted and exported: its place is not empty, it was not left out, and it has not moved across a mirror. */
  isPresent(row: number): boolean {
    return (this.flags[row] & (Flag.empty | Flag.away | Flag.leftOut)) === 0
  }

  /** Whether a mirror takes it for a source: present, or moved across by a mirror of the same kind. The one exception to `isPresent`. */
  isMirrored(row: number): boolean {
    return (this.flags[row] & (Flag.empty | Flag.leftOut)) === 0
  }

  isTwin(row: number): boolean {
    return (this.flags[row] & Flag.twin) !== 0
  }

  /** The things that any row has, present or not, each once, in the order of their first rows. */
  things(): number[] {
    const { thing, count } = this
    const found: number[] = []
    // A set asked for each row takes as long as laying the rows out does; neighbours are mostly alike, and things few.
    const seen: true[] = []
    let last = -1
    for (let k = 0; k < count; k++) {
      const own = thing[k]
      if (own === last) continue
      last = own
      if (seen[own]) continue
      seen[own] = true
      found.push(own)
    }
    return found
  }

  /** How many copies are present. */
  presentCount(): number {
    let n = 0
    for (let k = 0; k < this.count; k++) if (this.isPresent(k)) n++
    return n
  }

  moveOf(row: number): Vec3 {
    const { position: p } = this
    return [p[3 * row], p[3 * row + 1], p[3 * row + 2]]
  }

  turnOf(row: number): Quaternion {
    const { quaternion: q } = this
    return [q[4 * row], q[4 * row + 1], q[4 * row + 2], q[4 * row + 3]]
  }

  sizeOf(row: number): Vec3 {
    const { scale: s } = this
    return [s[3 * row], s[3 * row + 1], s[3 * row + 2]]
  }

  placingOf(row: number): Placing {
    return { move: this.moveOf(row), turn: this.turnOf(row), size: this.sizeOf(row) }
  }

  setMove(row: number, move: Readonly<Vec3>): void {
    this.position[3 * row] = move[0]
    this.position[3 * row + 1] = move[1]
    this.position[3 * row + 2] = move[2]
  }

  setTurn(row: number, turn: Quaternion): void {
    const at = 4 * row
    this.quaternion[at] = turn[0]
    this.quaternion[at + 1] = turn[1]
    this.quaternion[at + 2] = turn[2]
    this.quaternion[at + 3] = turn[3]
  }

  setSize(row: number, size: Readonly<Vec3>): void {
    this.scale[3 * row] = size[0]
    this.scale[3 * row + 1] = size[1]
    this.scale[3 * row + 2] = size[2]
  }

  /** Moves a copy by an offset in its own axes. */
  moveInOwnAxes(row: number, offset: Readonly<Vec3>): void {
    const turned = rotate(this.turnOf(row), offset)
    for (let i = 0; i < 3; i++) this.position[3 * row + i] += turned[i]
  }

  /** The key of a row's slot, as the document writes it. */
  keyOf(row: number): string {
    return slotKeyOf(this.slotLow[row], this.slotHigh[row])
  }

  /** The row of a slot key; −1 where no copy has it at present. */
  rowOf(key: string): number {
    return this.rowOfSlot(...slotOfKey(key))
  }

  rowOfSlot(low: number, high: number): number {
    const { slotLow, slotHigh, count } = this
    // Most layouts keep slot k in row k; the index is made only where one is asked for that stands elsewhere.
    if (low < count && slotLow[low] === low && slotHigh[low] === high) return low
    this.#index ??= new SlotIndex(this)
    return this.#index.find(low, high)
  }

  /** Makes room for so many copies; what the rows held is lost when the table has to grow. */
  reset(count: number): void {
    this.count = count
    this.slotsChanged()
    if (this.thing.length >= count) return void this.surface.fill(0, 0, count)
    const room = Math.max(count, 2 * this.thing.length)
    this.position = new Float64Array(3 * room)
    this.quaternion = new Float64Array(4 * room)
    this.scale = new Float64Array(3 * room)
    this.thing = new Uint32Array(room)
    this.slotLow = new Uint32Array(room)
    this.slotHigh = new Uint32Array(room)
    this.flags = new Uint8Array(room)
    this.surface = new Uint32Array(room)
  }

  /** Makes room for more copies and keeps those that are there. */
  grow(count: number): void {
    if (this.thing.length < count) {
      const before = this.snapshot()
      this.reset(count)
      this.takeRows(before)
    }
    this.count = count
    this.slotsChanged()
  }

  /** Takes over all rows of another table. */
  takeRows(from: InstanceTable): void {
    const { count } = from
    if (this.thing.length < count) this.reset(count)
    this.count = count
    this.putRows(from, 0)
  }

  /** Writes all rows of another table from a row on; there must be room for them. */
  putRows(from: InstanceTable, at: number): void {
    const { count } = from
    this.position.set(from.position.subarray(0, 3 * count), 3 * at)
    this.quaternion.set(from.quaternion.subarray(0, 4 * count), 4 * at)
    this.scale.set(from.scale.subarray(0, 3 * count), 3 * at)
    this.thing.set(from.thing.subarray(0, count), at)
    this.slotLow.set(from.slotLow.subarray(0, count), at)
    this.slotHigh.set(from.slotHigh.subarray(0, count), at)
    this.flags.set(from.flags.subarray(0, count), at)
    this.surface.set(from.surface.subarray(0, count), at)
    this.slotsChanged()
  }

  /** Makes room for so many copies that stand unturned at the origin in full size. */
  neutral(count: number): void {
    this.reset(count)
    this.position.fill(0, 0, 3 * count)
    this.scale.fill(1, 0, 3 * count)
    this.quaternion.fill(0, 0, 4 * count)
    for (let k = 0; k < count; k++) this.quaternion[4 * k + 3] = 1
    this.slotHigh.fill(0, 0, count)
    this.flags.fill(0, 0, count)
  }

  /** Writes one row of a table, its own or another's, over a row of this one. */
  putRow(from: InstanceTable, row: number, at: number): void {
    if (from === this && row === at) return
    for (let i = 0; i < 3; i++) {
      this.position[3 * at + i] = from.position[3 * row + i]
      this.scale[3 * at + i] = from.scale[3 * row + i]
    }
    for (let i = 0; i < 4; i++) this.quaternion[4 * at + i] = from.quaternion[4 * row + i]
    this.thing[at] = from.thing[row]
    this.slotLow[at] = from.slotLow[row]
    this.slotHigh[at] = from.slotHigh[row]
    this.flags[at] = from.flags[row]
    this.surface[at] = from.surface[row]
    this.slotsChanged()
  }

  /** Keeps only the rows that are wanted, in their order. */
  keepRows(wanted: (row: number) => boolean): void {
    let kept = 0
    for (let k = 0; k < this.count; k++) if (wanted(k)) this.putRow(this, k, kept++)
    this.count = kept
    this.slotsChanged()
  }

  /** A copy of the used rows, trimmed, that can be handed to another thread. */
  snapshot(): InstanceTable {
    const { count } = this
    const copy = new InstanceTable()
    copy.count = count
    copy.position = this.position.slice(0, 3 * count)
    copy.quaternion = this.quaternion.slice(0, 4 * count)
    copy.scale = this.scale.slice(0, 3 * count)
    copy.thing = this.thing.slice(0, count)
    copy.slotLow = this.slotLow.slice(0, count)
    copy.slotHigh = this.slotHigh.slice(0, count)
    copy.flags = this.flags.slice(0, count)
    copy.surface = this.surface.slice(0, count)
    return copy
  }

  /** The table as another pattern repeats it: copies that stand across a mirror are there for those that take them from here. */
  asRepeated(): InstanceTable {
    if (!this.flags.subarray(0, this.count).some((f) => (f & Flag.away) !== 0)) return this
    const there = this.snapshot()
    for (let k = 0; k < there.count; k++) there.flags[k] &= ~Flag.away
    return there
  }

  /** A table that came from another thread: its arrays without its functions. */
  static revived(plain: InstanceTable): InstanceTable {
    return Object.assign(new InstanceTable(), plain)
  }

  /** To be called by whoever writes slots into rows that had others. */
  slotsChanged(): void {
    this.#index = undefined
  }
}

/** Rows by slots: an open-addressed hash over both halves, half full at the most. */
class SlotIndex {
  private readonly rows: Int32Array
  private readonly mask: number

  constructor(private readonly table: InstanceTable) {
    let room = 16
    while (room < 2 * table.count) room *= 2
    this.mask = room - 1
    this.rows = new Int32Array(room).fill(-1)
    // From the back, so that of two rows with one slot the first is found.
    for (let k = table.count - 1; k >= 0; k--) {
      let at = this.hash(table.slotLow[k], table.slotHigh[k])
      while (this.rows[at] >= 0 && !this.isAt(this.rows[at], table.slotLow[k], table.slotHigh[k]))
        at = (at + 1) & this.mask
      this.rows[at] = k
    }
  }

  find(low: number, high: number): number {
    for (let at = this.hash(low, high); this.rows[at] >= 0; at = (at + 1) & this.mask)
      if (this.isAt(this.rows[at], low, high)) return this.rows[at]
    return -1
  }

  private isAt(row: number, low: number, high: number): boolean {
    return this.table.slotLow[row] === low && this.table.slotHigh[row] === high
  }

  private hash(low: number, high: number): number {
    const h = Math.imul(low, 0x9e3779b1) ^ Math.imul(high ^ 0x5bd1e995, 0x85ebca6b)
    return (h ^ (h >>> 15)) & this.mask
  }
}

/** A slot as a key of the document: hexadecimal, the high half left out while it is 0. */
export const slotKeyOf = (low: number, high: number): string =>
  high === 0 ? low.toString(16) : `${high.toString(16)}:${low.toString(16)}`

/** Reads a slot key back into its low and high halves. */
export function slotOfKey(key: string): readonly [low: number, high: number] {
  const at = key.indexOf(':')
  return at < 0 ? [parseInt(key, 16), 0] : [parseInt(key.slice(at + 1), 16), parseInt(key.slice(0, at), 16)]
}
