import { compose, inverse } from '../geometry/rotation'
import type { Placing } from '../instances'
import { type Facts, fact, plural } from '../words'
import type { Body } from './body'

/** Where a picked thing is to stand. */
export interface Wanted {
  readonly body: Body
  readonly to: Placing
}

/** So far a thing counts as standing where it stood, in metres. */
const STILL = 1e-10

export const distanceMoved = ({ body, to }: Wanted): number =>
  Math.hypot(...to.move.map((n, i) => n - body.stands.move[i]))

/** The angle between how it stands and how it is to stand, in radians. */
function angleTurned({ body, to }: Wanted): number {
  const [x, y, z, w] = compose(inverse(body.stands.turn), to.turn)
  return 2 * Math.atan2(Math.hypot(x, y, z), Math.abs(w))
}

/** How many move, turn and are sized, and the farthest of them. */
export function movedFacts(wanted: readonly Wanted[]): Facts {
  const moves = wanted.map(distanceMoved)
  const turns = wanted.map(angleTurned)
  const most = (all: readonly number[]): number => all.reduce((a, b) => Math.max(a, b), 0)
  const moving = moves.filter((n) => n > STILL).length
  const turning = turns.filter((n) => n > STILL).length
  const sized = wanted.filter(({ body, to }) => to.size.some((n, i) => n !== body.stands.size[i])).length
  return [
    ...(moving > 0
      ? moving === 1
        ? [fact('moves', { count: 1 }, ' moves by ', { length: most(moves) })]
        : [fact('moves', { count: moving }, ' move'), fact('farthest', 'the farthest by ', { length: most(moves) })]
      : [fact('moves', 'nothing moves')]),
    ...(turning > 0
      ? [fact('turns', { count: turning }, plural(turning, ' turns', ' turn'), ' by up to ', { angle: most(turns) })]
      : moving > 0
        ? [fact('turns', 'nothing turns')]
        : []),
    ...(sized > 0 ? [fact('sized', { count: sized }, plural(sized, ' is sized', ' are sized'))] : []),
  ]
}
