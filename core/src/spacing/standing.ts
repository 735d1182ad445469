import { compose, inverse } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { Flag, type InstanceTable } from '../instances'
import type { Extent } from './row'
import { type Support, supportOfCopy } from './support'

/** Turns and sizes that differ by less than this are one, in quaternion components and in parts of the size. */
const ALIKE = 1e-11

/**
 * How copies stand in their slots, apart from where: what they are, in which hand, how they are turned there and how large. So
 * much of a copy can be known before its place is, and a gap that is to hold between copies as they stand needs no more.
 */
export class Standing {
  /** In each row a copy about its slot, its turn that within the slot's axes. */
  private readonly table: InstanceTable

  /**
   * @param laid the table as the layout wrote it
   * @param shaped the same table after its steps and touch-ups
   * @param ownSize the size of all copies of the pattern, which those have too that a step has taken away
   */
  constructor(laid: InstanceTable, shaped: InstanceTable, ownSize = 1) {
    this.table = laid
    for (let k = 0; k < laid.count; k++) {
      const row = shaped.rowOfSlot(laid.slotLow[k], laid.slotHigh[k])
      if (row < 0) {
        laid.setSize(k, [ownSize, ownSize, ownSize])
        continue
      }
      laid.setTurn(k, compose(inverse(laid.turnOf(k)), shaped.turnOf(row)))
      laid.setSize(k, shaped.sizeOf(row))
      laid.thing[k] = shaped.thing[row]
      laid.flags[k] = shaped.flags[row]
    }
  }

  /** How many copies are known. */
  get count(): number {
    return this.table.count
  }

  /** The row of a slot; −1 where no copy is known there. */
  rowOf(slotLow: number, slotHigh: number): number {
    return this.table.rowOfSlot(slotLow, slotHigh)
  }

  /** Slot, thing, turn and size in a row. */
  get copies(): InstanceTable {
    return this.table
  }

  /** How far a copy reaches from its pivot along a direction of its slot's axes. */
  extent(row: number, direction: Readonly<Vec3>, supportOf: (thing: number) => Support): Extent {
    return supportOfCopy(this.table, row, supportOf(this.table.thing[row]), direction)
  }

  /** Whether copies stand the same in both, to rounding. */
  agreesWith(other: Standing): boolean {
    const [a, b] = [this.table, other.table]
    return a.count === b.count && this.beginsAs(other)
  }

  /** The same of as many as both know: where copies stand so whatever their number, more of them are no smaller. */
  beginsAs(other: Standing): boolean {
    const [a, b] = [this.table, other.table]
    for (let k = 0; k < Math.min(a.count, b.count); k++) {
      if (a.thing[k] !== b.thing[k] || (a.flags[k] ^ b.flags[k]) & Flag.twin) return false
      // A turn and its opposite in all four numbers are one.
      let dot = 0
      for (let i = 0; i < 4; i++) dot += a.quaternion[4 * k + i] * b.quaternion[4 * k + i]
      const sign = dot < 0 ? -1 : 1
      for (let i = 0; i < 4; i++)
        if (Math.abs(a.quaternion[4 * k + i] - sign * b.quaternion[4 * k + i]) > ALIKE) return false
      for (let i = 0; i < 3; i++)
        if (Math.abs(a.scale[3 * k + i] - b.scale[3 * k + i]) > ALIKE * Math.abs(a.scale[3 * k + i])) return false
    }
    return true
  }
}
