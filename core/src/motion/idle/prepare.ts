import { times } from '../../geometry/vec'
import { wayOf } from '../../values/values'
import { type Result, done, fact } from '../../words'
import { type Cast, turnOwn, wayOwn } from '../cast'
import type { Prepared } from '../definition'
import { ranksOf } from '../ranks'
import { type Moved, RESTS } from '../state'
import { turnAbout } from '../turnAbout'
import type { Idle } from './schema'

/** A round begins at 0 s for the first of them; one that has its turn later is behind by its share of a round. */
export function prepareIdle(idle: Idle, casts: readonly Cast[]): Result<readonly Prepared[]> {
  const { of } = ranksOf(idle, casts)
  return done(casts.map((cast, i) => idling(idle, cast, of[i])))
}

function idling(idle: Idle, cast: Cast, ranks: Float64Array): Prepared {
  const { way, axis, angle, distance, once, behind, order } = idle
  const phase = (row: number, time: number): number => {
    const rounds = time / once - ranks[row] * (order === 'chance' ? 1 : behind)
    return 2 * Math.PI * (rounds - Math.floor(rounds))
  }
  const along = wayOwn(cast, wayOf[axis])
  const turned = (by: number) => turnOwn(cast, turnAbout(axis, by))
  return {
    at(row, time): Moved {
      if (ranks[row] < 0) return RESTS
      const round = phase(row, time)
      if (way === 'turn') return { ...RESTS, turn: turned(round) }
      const side = Math.sin(round)
      if (way === 'sway') return { ...RESTS, turn: turned(angle * side) }
      return { ...RESTS, move: times(along, distance * side) }
    },
    bars: [],
    finest: once / 4,
    turns: () => [],
    facts: [fact('round', 'once in ', { time: once }), fact('rate', { factor: 60 / once }, ' a minute')],
  }
}
