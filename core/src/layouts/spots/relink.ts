import { type Quaternion, UNTURNED, compose, rotate } from '../../geometry/rotation'
import type { Similarity } from '../../geometry/similarity'
import type { Vec3 } from '../../values/values'
import type { Spot } from './schema'

/** A place on which another part stands so that what is seen stays where it was: place · similarity. */
export function movedSpot(spot: Spot, part: string, s: Similarity): Spot {
  const turn: Quaternion = spot.turn ?? UNTURNED
  const size = spot.size ?? [1, 1, 1]
  const at = rotate(turn, [s.move[0] * size[0], s.move[1] * size[1], s.move[2] * size[2]])
  const q = compose(turn, s.turn)
  const n = Math.hypot(...q)
  const sized = [0, 1, 2].map((k) => size[k] * s.size[k]) as Vec3
  return {
    slot: spot.slot,
    ...(spot.name && { name: spot.name }),
    part,
    move: [0, 1, 2].map((k) => spot.move[k] + at[k]) as Vec3,
    ...(Math.abs(q[3]) < n && { turn: [q[0] / n, q[1] / n, q[2] / n, q[3] / n] }),
    ...(sized.some((v) => v !== 1) && { size: sized }),
  }
}
