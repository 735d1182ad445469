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

/** Finds the pairs of copies that overlap, or are nearer to each other than a clearance, the deepest first; balls only find candidates. */
export function findOverlaps(bodies: Bodies, clearance: number, gaps: Gaps = outlineGaps(bodies)): Overlap[] {
  const overlaps: Overlap[] = []
  new NearBodies(bodies, clearance).pairs((i, j) => {
    const gap = gaps.between(i, j)
    if (gap < clearance - TOUCHING)
      overlaps.push({ first: Math.min(i, j), second: Math.max(i, j), depth: clearance - gap })
  })
  return overlaps.sort((a, b) => b.depth - a.depth || a.first - b.first || a.second - b.second)
}

/** The radius of the largest ball about any body: how far off a neighbour can matter. */
export const mostReach = ({ radius }: Bodies): number => radius.reduce((most, r) => Math.max(most, r), 0)
