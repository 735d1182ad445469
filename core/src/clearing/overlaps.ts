import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { NearBodies } from './nearBodies'

export interface Overlap {
  readonly first: number
  readonly second: number
  /** By how much one would have to move to be as clear as asked, in metres. */
  readonly depth: number
}

/** Two copies that touch do not overlap: what is less than this is rounding, in metres. */
export const TOUCHING = 1e-7

/**
 * So many pairs are listed. In a heap each copy lies in all others, and a thousand times as many copies would be a million times as
 * many pairs: who has so many knows enough.
 */
export const MOST_OVERLAPS = 200_000

/**
 * Finds the pairs of copies that overlap, or are nearer to each other than a clearance, the deepest first; balls only find candidates.
 *
 * @param allowed what is less deep than this does not count, in metres
 * @returns no more than the most: as many mean that there are more of them, perhaps deeper ones
 */
export function findOverlaps(
  bodies: Bodies,
  clearance: number,
  gaps: Gaps = outlineGaps(bodies),
  allowed = TOUCHING,
): Overlap[] {
  const overlaps: Overlap[] = []
  new NearBodies(bodies, clearance).pairs(
    (i, j) => {
      if (overlaps.length >= MOST_OVERLAPS) return
      const depth = clearance - gaps.between(i, j)
      if (depth > allowed) overlaps.push({ first: Math.min(i, j), second: Math.max(i, j), depth })
    },
    () => overlaps.length >= MOST_OVERLAPS,
  )
  return overlaps.sort((a, b) => b.depth - a.depth || a.first - b.first || a.second - b.second)
}

/** The radius of the largest ball about any body: how far off a neighbour can matter. */
export const mostReach = ({ radius }: Bodies): number => radius.reduce((most, r) => Math.max(most, r), 0)
