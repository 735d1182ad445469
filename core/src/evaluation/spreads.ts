import { angleOf } from '../geometry/rotation'
import type { Convex } from '../clearing/convex'
import { nearestIn } from './overlaps'
import { type InstanceTable } from '../instances'
import type { PartSource } from '../parts/partMesh'

/** How the copies of a pattern are spread: one number for each that is there. */
export interface Spreads {
  /** Gaps to the nearest neighbours, in metres, the smallest first; of copies that are not alone. */
  readonly gaps: readonly number[]
  /** Sizes as a share of the part's own, the geometric mean of the three axes. */
  readonly sizes: readonly number[]
  /** How far copies are turned from how their layout left their part, in radians, 0 to π. */
  readonly turns: readonly number[]
}

/** @param source where gaps are told by triangles */
export function spreadsOf(
  table: InstanceTable,
  shapeOf: (thing: number) => Convex | undefined,
  source?: PartSource,
): Spreads {
  const [sizes, turns]: [number[], number[]] = [[], []]
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    const s = table.scale
    sizes.push(Math.cbrt(s[3 * k] * s[3 * k + 1] * s[3 * k + 2]))
    turns.push(angleOf(table.turnOf(k)))
  }
  return {
    gaps: Array.from(nearestIn(table, shapeOf, source))
      .filter(Number.isFinite)
      .sort((a, b) => a - b),
    sizes,
    turns,
  }
}
