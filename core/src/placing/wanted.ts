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

/** How many move, and the farthest of them. */
export function movedFacts(wanted: readonly Wanted[]): Facts {
  const moves = wanted.map(distanceMoved)
  const farthest = moves.reduce((a, b) => Math.max(a, b), 0)
  const count = moves.filter((n) => n > STILL).length
  if (count === 0) return [fact('moves', 'nothing moves')]
  return [
    fact('moves', { count }, plural(count, ' moves', ' move')),
    fact('farthest', 'the farthest by ', { length: farthest }),
  ]
}
