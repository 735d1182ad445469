import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { NearBodies } from './nearBodies'
import { TOUCHING, findOverlaps } from './overlaps'

export interface ShrinkOutcome {
  /** The factor for each copy's size. */
  readonly factors: Float64Array
  readonly shrunk: number
  /** Pairs that still are nearer than asked at the floor; no more than are listed of overlaps. */
  readonly left: number
  readonly worst: number
}

/** A factor is exact to this share. */
const EXACT = 1e-9

/**
 * Shrinks copies that are too near each other about their pivots: both of a pair by one factor, the largest that keeps the
 * clearance and never below the floor; a copy of several pairs by the least of its factors. Nothing but sizes changes, and
 * nothing depends on the order. Copies whose pivots lie inside their outlines can only come free by it.
 *
 * @param held 1 for copies that keep their size; the other of such a pair then gives way alone as far as it can
 */
export function shrinkToFit(
  bodies: Bodies,
  { clearance, floor, held }: { clearance: number; floor: number; held?: Uint8Array },
  gaps: Gaps = outlineGaps(bodies),
): ShrinkOutcome {
  const factors = new Float64Array(bodies.count).fill(1)
  const asked = clearance - TOUCHING
  new NearBodies(bodies, clearance).pairs((i, j) => {
    // Only a pair that asks for less than both have so far changes anything: in a heap most are at the floor after few.
    const most = Math.max(held?.[i] ? floor : factors[i], held?.[j] ? floor : factors[j])
    if (most <= floor || gaps.areClear(i, j, asked)) return
    if (most < 1 && gaps.areClear(i, j, clearance, Math.min(most + EXACT, 1))) return
    const factor = pairFactor(gaps, i, j, clearance, floor)
    for (const k of [i, j]) if (!held?.[k]) factors[k] = Math.min(factors[k], factor)
  })
  const shrunk = factors.reduce((n, f) => n + (f < 1 ? 1 : 0), 0)
  if (shrunk > 0) {
    for (let k = 0; k < bodies.count; k++) {
      for (let c = 0; c < 3; c++) bodies.size[3 * k + c] *= factors[k]
      bodies.measure(k)
    }
  }
  const over = findOverlaps(bodies, clearance, gaps)
  return { factors, shrunk, left: over.length, worst: over[0]?.depth ?? 0 }
}

/** The largest factor for both of a pair that keeps the clearance, found by halving; the floor where none does. */
function pairFactor(gaps: Gaps, i: number, j: number, clearance: number, floor: number): number {
  if (!gaps.areClear(i, j, clearance, floor)) return floor
  let [low, high] = [floor, 1]
  while (high - low > EXACT) {
    const middle = (low + high) / 2
    if (gaps.areClear(i, j, clearance, middle)) low = middle
    else high = middle
  }
  return low
}
