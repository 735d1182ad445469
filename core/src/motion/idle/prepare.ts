import { UNTURNED } from '../../geometry/rotation'
import type { InstanceTable } from '../../instances'
import { type Result, done, fact } from '../../words'
import type { Prepared } from '../definition'
import { ranksOf } from '../ranks'
import { type Moved, RESTS } from '../state'
import { turnAbout } from '../turnAbout'
import type { Idle } from './schema'

/** A round begins at 0 s for the first of them; one that has its turn later is behind by its share of a round. */
export function prepareIdle(idle: Idle, table: InstanceTable, name: string): Result<Prepared> {
  const { way, axis, angle, distance, once, behind, order } = idle
  const ranks = ranksOf(idle, table, name)
  const phase = (row: number, time: number): number => {
    const rounds = time / once - ranks.of[row] * (order === 'chance' ? 1 : behind)
    return 2 * Math.PI * (rounds - Math.floor(rounds))
  }
  const along = { across: 0, up: 1, deep: 2 }[axis]
  const at = (row: number, time: number): Moved => {
    if (ranks.of[row] < 0) return RESTS
    const round = phase(row, time)
    if (way === 'turn') return { ...RESTS, turn: turnAbout(axis, round) }
    const side = Math.sin(round)
    if (way === 'sway') return { ...RESTS, turn: turnAbout(axis, angle * side) }
    const move: [number, number, number] = [0, 0, 0]
    move[along] = distance * side
    return { ...RESTS, move, turn: UNTURNED }
  }
  return done({
    at,
    bars: [],
    finest: once / 4,
    turns: () => [],
    facts: [fact('round', 'once in ', { time: once }), fact('rate', { factor: 60 / once }, ' a minute')],
  })
}
