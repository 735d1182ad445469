import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { TOUCHING } from './overlaps'
import { Stayers } from './stayers'

/**
 * Leaves out copies that are too near others: in the order given, a copy stays unless it is too near one that stays already.
 * So no copy that was left out could be put back. Each is compared with those that stay alone: all pairs of a heap of ten thousand
 * would be fifty million.
 *
 * @param order all copies, those that matter most first
 * @param own how many of the first may be left out; those after them are of other patterns and stay, also where they stand in each other
 * @returns 1 for each copy that is left out
 */
export function leaveOut(
  bodies: Bodies,
  clearance: number,
  order: Uint32Array,
  own = bodies.count,
  gaps: Gaps = outlineGaps(bodies),
): Uint8Array {
  const asked = clearance - TOUCHING
  const stayers = new Stayers(bodies, clearance)
  const out = new Uint8Array(bodies.count)
  for (const k of order) {
    if (!bodies.there[k]) continue
    if (k < own && stayers.some(k, (j) => !gaps.areClear(Math.min(j, k), Math.max(j, k), asked))) out[k] = 1
    else stayers.add(k)
  }
  return out
}
