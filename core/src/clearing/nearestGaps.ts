import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { findOverlaps, mostReach } from './overlaps'

/** Neighbours are looked for at first as far off as so many times the largest reaches. */
const NEAR = 2

/**
 * From each body to the one that is nearest to it: the free distance between them, below 0 by the least move that frees them where they
 * overlap, in metres; Infinity for one alone, and for what takes up no room.
 *
 * Most have a neighbour nearby and are found among pairs. Who stands far from all others is compared with each, the balls about them
 * first: it is not worth an index of its own, as there are few of them or few at all.
 */
export function nearestGaps(bodies: Bodies, gaps: Gaps = outlineGaps(bodies)): Float64Array {
  const { nearest } = findOverlaps(bodies, 0, NEAR * mostReach(bodies), gaps)
  const { count, there } = bodies
  for (let i = 0; i < count; i++) {
    if (!there[i] || nearest[i] < Infinity) continue
    let least = Infinity
    for (let j = 0; j < count; j++)
      if (j !== i && there[j] && betweenBalls(bodies, i, j) < least) least = Math.min(least, gaps.between(i, j))
    nearest[i] = least
  }
  return nearest
}

/** Between the balls about two bodies: their gap is no less. */
function betweenBalls({ position: p, middle: m, radius }: Bodies, i: number, j: number): number {
  const x = p[3 * i] + m[3 * i] - p[3 * j] - m[3 * j]
  const y = p[3 * i + 1] + m[3 * i + 1] - p[3 * j + 1] - m[3 * j + 1]
  const z = p[3 * i + 2] + m[3 * i + 2] - p[3 * j + 2] - m[3 * j + 2]
  return Math.sqrt(x * x + y * y + z * z) - radius[i] - radius[j]
}
