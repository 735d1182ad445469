import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { findOverlaps } from '../clearing/overlaps'
import { GONE, type InstanceTable } from '../instances'

/** How the copies of a pattern are spread: one number for each that is there. */
export interface Spreads {
  /** Gaps to the nearest neighbours, in metres, the smallest first; of copies that have one near. */
  readonly gaps: readonly number[]
  /** Sizes as a share of the part's own, the geometric mean of the three axes. */
  readonly sizes: readonly number[]
  /** How far copies are turned from how their layout left their part, in radians, 0 to π. */
  readonly turns: readonly number[]
}

export function spreadsOf(table: InstanceTable, shapeOf: (thing: number) => Convex | undefined): Spreads {
  const bodies = new Bodies(table, shapeOf)
  const reach = bodies.radius.reduce((a, b) => Math.max(a, b), 0)
  const { nearest } = findOverlaps(bodies, 0, 2 * reach)
  const [sizes, turns]: [number[], number[]] = [[], []]
  for (let k = 0; k < table.count; k++) {
    if (table.flags[k] & GONE) continue
    const s = table.scale
    sizes.push(Math.cbrt(s[3 * k] * s[3 * k + 1] * s[3 * k + 2]))
    turns.push(2 * Math.acos(Math.min(1, Math.abs(table.quaternion[4 * k + 3]))))
  }
  return {
    gaps: Array.from(nearest)
      .filter(Number.isFinite)
      .sort((a, b) => a - b),
    sizes,
    turns,
  }
}
