import type { Bodies } from './bodies'
import { type Gaps, outlineGaps } from './gap'
import { NearBodies } from './nearBodies'
import { mostReach } from './overlaps'

/** Neighbours are looked for at first as far off as so many times the largest reach. */
const NEAR = 2
/** And no nearer than this, in metres: points have no reach. */
const LEAST = 1e-6
/** A search twice as far off meets so many times as many pairs, in a crowd that fills its room. */
const FARTHER = 8

/**
 * From each body to the one that is nearest to it: the free distance between them, below 0 by the least move that frees them where they
 * overlap, in metres; Infinity for one alone, and for what takes up no room.
 *
 * Pairs whose balls are near are measured, and who has then no neighbour as near as was looked is looked for farther off: a gap that is
 * larger is no proof, as another one may be nearer whose ball is not. A few that stand far from a dense crowd are compared with
 * each instead, as looking farther would meet all pairs of the crowd again.
 */
export function nearestGaps(bodies: Bodies, gaps: Gaps = outlineGaps(bodies)): Float64Array {
  const { count, there } = bodies
  const nearest = new Float64Array(count).fill(Infinity)
  const open = Uint8Array.from(there)
  const take = (i: number, j: number): void => {
    const gap = gaps.between(i, j)
    if (gap < nearest[i]) nearest[i] = gap
    if (gap < nearest[j]) nearest[j] = gap
  }
  const all = there.reduce((n, is) => n + is, 0)
  let looking = all
  let seen = -Infinity
  for (let look = Math.max(NEAR * mostReach(bodies), LEAST); looking > 0; look *= 2) {
    let pairs = 0
    new NearBodies(bodies, look).pairs((i, j) => {
      pairs++
      if (!open[i] && !open[j]) return
      // Pairs clearly nearer were measured when it was looked that far, and no gap is less than that of the balls.
      const least = betweenBalls(bodies, i, j)
      if (least > 0.999 * seen && (least < nearest[i] || least < nearest[j])) take(i, j)
    })
    seen = look
    looking = 0
    for (let i = 0; i < count; i++) looking += open[i] &&= nearest[i] > look ? 1 : 0
    if (looking * all <= FARTHER * pairs + all) break
  }
  for (let i = 0; i < count; i++) {
    if (!open[i]) continue
    for (let j = 0; j < count; j++) if (j !== i && there[j] && betweenBalls(bodies, i, j) < nearest[i]) take(i, j)
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
