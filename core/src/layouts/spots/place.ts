import type { Spots } from './schema'
import type { Quaternion } from '../../geometry/rotation'
import { fact, type Result, done, plural } from '../../words'
import type { LayoutContext, Placement } from '../context'

export interface SpotsOutcome {
  readonly kind: 'spots'
  readonly count: number
}

/** A turn of length 1, the very same where it is so already: a document may hold it rounded, or not to scale. */
function unit(turn: Quaternion): Quaternion {
  const length = Math.hypot(...turn)
  return Math.abs(length - 1) < 1e-9 ? turn : [turn[0] / length, turn[1] / length, turn[2] / length, turn[3] / length]
}

/** Places one copy on each of a list of places of their own, turned and sized as each says; those without a part of their own are dealt. */
export function placeSpots({ spots }: Spots, { dealt, thingOf }: LayoutContext): Result<Placement<SpotsOutcome>> {
  return done({
    facts: [
      fact('count', { count: spots.length }, plural(spots.length, ' copy', ' copies'), ' on places of their own'),
    ],
    working: [],
    outcome: { kind: 'spots', count: spots.length },
    write(table) {
      table.neutral(spots.length)
      for (const [k, { slot, move, turn, size }] of spots.entries()) {
        table.position.set(move, 3 * k)
        if (turn) table.quaternion.set(unit(turn), 4 * k)
        if (size) table.scale.set(size, 3 * k)
        table.slotLow[k] = slot
      }
      dealt.deal(table)
      for (const [k, { part }] of spots.entries()) if (part) table.thing[k] = thingOf(part)
    },
  })
}
