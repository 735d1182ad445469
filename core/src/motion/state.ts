import { type Quaternion, UNTURNED, compose } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'

/** How a copy is moved at a time: turned and sized about its own pivot, then moved, in its pattern's axes. Metres, a unit quaternion. */
export interface Moved {
  readonly move: Vec3
  readonly turn: Quaternion
  /** For all three axes; above 0. */
  readonly size: number
  /** A colour that lies over its own, by a share from 0 to 1. */
  readonly tint?: { readonly color: string; readonly share: number }
  /** False before it has come and after it has gone. */
  readonly shown: boolean
}

/** As a copy stands without any motion. */
export const RESTS: Moved = { move: [0, 0, 0], turn: UNTURNED, size: 1, shown: true }

/** One motion after another. */
export const afterMoved = (first: Moved, then: Moved): Moved =>
  first === RESTS
    ? then
    : then === RESTS
      ? first
      : {
          move: [first.move[0] + then.move[0], first.move[1] + then.move[1], first.move[2] + then.move[2]],
          turn: compose(then.turn, first.turn),
          size: first.size * then.size,
          shown: first.shown && then.shown,
          ...((then.tint ?? first.tint) && { tint: then.tint ?? first.tint! }),
        }
