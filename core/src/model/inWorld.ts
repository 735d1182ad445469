import { compose, fromTurns, inverse, rotate } from '../geometry/rotation'
import { minus, plus } from '../geometry/vec'
import type { Placing } from '../instances'
import type { Pattern } from './pattern'

/** A copy's place in its pattern as a place in the world. */
export function inWorld({ place }: Pick<Pattern, 'place'>, own: Placing): Placing {
  const turn = fromTurns(place.turn)
  return { move: plus(place.move, rotate(turn, own.move)), turn: compose(turn, own.turn), size: own.size }
}

/** A place in the world as one in a pattern. */
export function inPattern({ place }: Pick<Pattern, 'place'>, world: Placing): Placing {
  const back = inverse(fromTurns(place.turn))
  return { move: rotate(back, minus(world.move, place.move)), turn: compose(back, world.turn), size: world.size }
}
