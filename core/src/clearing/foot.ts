import type { Vec3 } from '../geometry/vec'
import type { Bodies } from './bodies'

/** What reaches lowest is looked at from so many sides, each so little aside that only what is level there differs. */
const ROUND = 16
const ASIDE = 1e-6
const at = new Float64Array(3)

/** The middle of what reaches lowest of a body, and how low that is: of a base, of feet, of a single point. */
export function footOf(bodies: Bodies, k: number): Vec3 {
  const middle: Vec3 = [0, 0, 0]
  for (let n = 0; n < ROUND; n++) {
    const angle = (2 * Math.PI * (n + 0.5)) / ROUND
    bodies.support(k, ASIDE * Math.cos(angle), -1, ASIDE * Math.sin(angle), at, 0)
    middle[0] += at[0] / ROUND
    middle[2] += at[2] / ROUND
  }
  bodies.support(k, 0, -1, 0, at, 0)
  middle[1] = at[1]
  return middle
}
