import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { NearBodies } from './nearBodies'

export interface Overlap {
  readonly first: number
  readonly second: number
  /** By how much one would have to move to be as clear as asked, in metres. */
  readonly depth: number
}

/** How copies stand to each other. */
export interface Crowd {
  /** Pairs that are nearer than asked, the deepest first. */
  readonly overlaps: readonly Overlap[]
  /** For each copy the gap to its nearest neighbour, below 0 where they overlap; Infinity where none is near. */
  readonly nearest: Float64Array
}

/** Two copies that touch do not overlap: what is less than this is rounding, in metres. */
export const TOUCHING = 1e-7

/**
 * Finds the pairs of copies that overlap, or are nearer to each other than a clearance; balls only find candidates.
 *
 * @param look gaps are measured up to this far
 */
export function findOverlaps(
  bodies: Bodies,
  clearance: number,
  look = clearance,
  gaps: Gaps = outlineGaps(bodies),
): Crowd {
  const nearest = new Float64Array(bodies.count).fill(Infinity)
  const overlaps: Overlap[] = []
  new NearBodies(bodies, Math.max(look, clearance)).pairs((i, j) => {
    const gap = gaps.between(i, j)
    if (gap < nearest[i]) nearest[i] = gap
    if (gap < nearest[j]) nearest[j] = gap
    if (gap < clearance - TOUCHING)
      overlaps.push({ first: Math.min(i, j), second: Math.max(i, j), depth: clearance - gap })
  })
  overlaps.sort((a, b) => b.depth - a.depth || a.first - b.first || a.second - b.second)
  return { overlaps, nearest }
}

/** The smallest gap between any two copies; Infinity where none are near each other. */
export const nearestGap = ({ nearest }: Crowd): number => nearest.reduce((least, gap) => Math.min(least, gap), Infinity)

/** The radius of the largest ball about any body: how far off a neighbour can matter. */
export const mostReach = ({ radius }: Bodies): number => radius.reduce((most, r) => Math.max(most, r), 0)
