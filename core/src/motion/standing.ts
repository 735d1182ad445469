import { compose, rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { Placing } from '../instances'
import type { Moved } from './state'

/** Where what stands with a copy is while that is moved about its pivot: the copy itself, or a piece of what it repeats. */
export function movedPlacing(pivot: Readonly<Vec3>, { move: at, turn, size }: Placing, moved: Moved): Placing {
  const { move, turn: by, size: factor } = moved
  const away = rotate(by, [factor * (at[0] - pivot[0]), factor * (at[1] - pivot[1]), factor * (at[2] - pivot[2])])
  return {
    move: [pivot[0] + move[0] + away[0], pivot[1] + move[1] + away[1], pivot[2] + move[2] + away[2]],
    turn: compose(by, turn),
    size: [size[0] * factor, size[1] * factor, size[2] * factor],
  }
}
