import { InstanceTable } from '../instances'
import { Bodies } from './bodies'
import type { Convex } from './convex'
import { gapOf } from './gap'

/**
 * The nearest distance between the outlines of two copies that are only thought of: below 0 by how far one would have to move to
 * be free of the other.
 */
export class PairGap {
  private readonly table = new InstanceTable()
  private readonly bodies: Bodies

  constructor(shapeOf: (thing: number) => Convex | undefined) {
    this.table.neutral(2)
    this.bodies = new Bodies(this.table, shapeOf)
  }

  /** The table of two rows in which they are to be put. */
  get pair(): InstanceTable {
    return this.table
  }

  /** Takes one of the two as it stands in the table now. */
  take(row: 0 | 1): void {
    this.bodies.take(this.table, row)
  }

  /** The gap between the two as they were taken; Infinity where one takes up no room. `enough`: any that is more will do for an answer. */
  measure(enough = Infinity): number {
    const { bodies } = this
    if (!bodies.there[0] || !bodies.there[1]) return Infinity
    const { position: p, middle: m, radius } = bodies
    const apart = Math.hypot(p[0] + m[0] - p[3] - m[3], p[1] + m[1] - p[4] - m[4], p[2] + m[2] - p[5] - m[5])
    const atLeast = apart - radius[0] - radius[1]
    return atLeast > enough ? atLeast : gapOf(bodies, 0, 1).gap
  }
}
