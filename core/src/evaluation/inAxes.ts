import type { InstanceTable } from '../instances'
import type { Place } from '../model/pattern'
import type { Vec3 } from '../values/values'
import { compose, fromTurns, inverse, rotate } from '../geometry/rotation'

const WORLD: Place = { move: [0, 0, 0], turn: [0, 0, 0] }

/** A pattern's copies as they stand in the axes of another pattern; in the world where none is given. A table of its own. */
export function inAxes(table: InstanceTable, from: Place, to: Place = WORLD): InstanceTable {
  const back = inverse(fromTurns(to.turn))
  const turn = compose(back, fromTurns(from.turn))
  const move = rotate(back, from.move.map((n, i) => n - to.move[i]) as Vec3)
  const out = table.snapshot()
  if (turn[3] === 1 && move.every((n) => n === 0)) return out
  const { position: p, quaternion: q } = out
  for (let k = 0; k < out.count; k++) {
    const at = rotate(turn, [p[3 * k], p[3 * k + 1], p[3 * k + 2]])
    for (let i = 0; i < 3; i++) p[3 * k + i] = at[i] + move[i]
    q.set(compose(turn, [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]), 4 * k)
  }
  return out
}
