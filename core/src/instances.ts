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
} as const

/** The marks of copies that are neither drawn nor exported. */
export const GONE = Flag.empty | Flag.away | Flag.leftOut

/**
 * The only shape in which copies travel: a struct of arrays, in the pattern's own axes, metres, quaternions x y z w.
 *
 * `slotLow` and `slotHigh` are the two halves of the slot, a copy's identity within its pattern. `part` counts into the
 * project's things: its parts first, then its patterns. Rows beyond `count` are spare room: a table grows by doubling and is reused from one evaluation to
 * the next, so that steps allocate nothing per copy.
 */
export class InstanceTable {
  count = 0
  position = new Float64Array(0)
  quaternion = new Float64Array(0)
  scale = new Float64Array(0)
  part = new Uint32Array(0)
  slotLow = new Uint32Array(0)
  slotHigh = new Uint32Array(0)
  flags = new Uint8Array(0)
  /** How grain and pictures lie on a copy, and its colour: 0 as on its part, otherwise a number of the evaluation's surface frames. */
  surface = new Uint16Array(0)

  /** Makes room for so many copies; what the rows held is lost when the table has to grow. */
  reset(count: number): void {
    this.count = count
    if (this.part.length >= count) return void this.surface.fill(0, 0, count)
    const room = Math.max(count, 2 * this.part.length)
    this.position = new Float64Array(3 * room)
    this.quaternion = new Float64Array(4 * room)
    this.scale = new Float64Array(3 * room)
    this.part = new Uint32Array(room)
    this.slotLow = new Uint32Array(room)
    this.slotHigh = new Uint32Array(room)
    this.flags = new Uint8Array(room)
    this.surface = new Uint16Array(room)
  }

  /** Makes room for more copies and keeps those that are there. */
  grow(count: number): void {
    if (this.part.length < count) {
      const before = this.snapshot()
      this.reset(count)
      this.takeRows(before)
    }
    this.count = count
  }

  /** Takes over all rows of another table. */
  takeRows(from: InstanceTable): void {
    const { count } = from
    if (this.part.length < count) this.reset(count)
    this.count = count
    this.position.set(from.position.subarray(0, 3 * count))
    this.quaternion.set(from.quaternion.subarray(0, 4 * count))
    this.scale.set(from.scale.subarray(0, 3 * count))
    this.part.set(from.part.subarray(0, count))
    this.slotLow.set(from.slotLow.subarray(0, count))
    this.slotHigh.set(from.slotHigh.subarray(0, count))
    this.flags.set(from.flags.subarray(0, count))
    this.surface.set(from.surface.subarray(0, count))
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

  /** Moves a row to an earlier place, over what stood there. */
  moveRow(from: number, to: number): void {
    if (from === to) return
    this.position.copyWithin(3 * to, 3 * from, 3 * from + 3)
    this.quaternion.copyWithin(4 * to, 4 * from, 4 * from + 4)
    this.scale.copyWithin(3 * to, 3 * from, 3 * from + 3)
    this.part[to] = this.part[from]
    this.slotLow[to] = this.slotLow[from]
    this.slotHigh[to] = this.slotHigh[from]
    this.flags[to] = this.flags[from]
    this.surface[to] = this.surface[from]
  }

  /** A copy of the used rows, trimmed, that can be handed to another thread. */
  snapshot(): InstanceTable {
    const { count } = this
    const copy = new InstanceTable()
    copy.count = count
    copy.position = this.position.slice(0, 3 * count)
    copy.quaternion = this.quaternion.slice(0, 4 * count)
    copy.scale = this.scale.slice(0, 3 * count)
    copy.part = this.part.slice(0, count)
    copy.slotLow = this.slotLow.slice(0, count)
    copy.slotHigh = this.slotHigh.slice(0, count)
    copy.flags = this.flags.slice(0, count)
    copy.surface = this.surface.slice(0, count)
    return copy
  }
}

/** A slot as a key of the document: hexadecimal, the high half left out while it is 0. */
export const slotKeyOf = (low: number, high: number): string =>
  high === 0 ? low.toString(16) : `${high.toString(16)}:${low.toString(16)}`

/** Reads a slot key back into its low and high halves. */
export function slotOfKey(key: string): readonly [low: number, high: number] {
  const [a, b] = key.split(':')
  return b === undefined ? [parseInt(a, 16), 0] : [parseInt(b, 16), parseInt(a, 16)]
}
