import type { Direction } from '@hilera/core/values/spacing'
import type { Axis } from '@hilera/core/values/values'
import type { Measure, RoomEdges } from '@hilera/core/values/spacing'
import type { Ends, Leftover } from '@hilera/core/values/spacing'

/** How the choices of a line are put into words. */

export type DirectionChoice = `${'+' | '-'}${Axis}` | 'amounts'

export const directionOptions: { value: DirectionChoice; words: string; note?: string }[] = [
  { value: '+across', words: 'across', note: 'to the right' },
  { value: '-across', words: 'back across', note: 'to the left' },
  { value: '+up', words: 'up' },
  { value: '-up', words: 'down' },
  { value: '+deep', words: 'deep', note: 'towards you' },
  { value: '-deep', words: 'back deep', note: 'away from you' },
  { value: 'amounts', words: 'by amounts', note: 'so much across, up and deep each time' },
]

export const directionValue = (direction: Direction): DirectionChoice =>
  direction.kind === 'amounts' ? 'amounts' : `${direction.sign > 0 ? '+' : '-'}${direction.axis}`

export const measureOptions: { value: Measure; words: string; note: string }[] = [
  { value: 'gap', words: 'gap', note: 'the clear distance between neighbours' },
  { value: 'pitch', words: 'pitch', note: 'from pivot to pivot, on centre' },
  { value: 'overall', words: 'overall', note: 'outside to outside of two neighbours' },
]

export const edgesOptions: { value: RoomEdges; words: string; note: string }[] = [
  { value: 'outsides', words: 'outside to outside', note: 'the room holds the whole copies' },
  { value: 'centres', words: 'between centres', note: 'the room runs from the first pivot to the last' },
]

export const endsOptions: { value: Ends; words: string; note: string }[] = [
  { value: 'both', words: 'a copy at both ends', note: 'n copies, n − 1 intervals' },
  { value: 'start', words: 'from the start', note: 'one interval stays free at the end' },
  { value: 'between', words: 'between the ends', note: 'an interval free at either end' },
  { value: 'half', words: 'half a step in', note: 'half an interval free at either end' },
]

export const leftoverOptions: { value: Leftover; words: string; note?: string }[] = [
  { value: 'end', words: 'to the end' },
  { value: 'start', words: 'to the start' },
  { value: 'both', words: 'to both ends' },
  { value: 'widen', words: 'into the intervals', note: 'they widen evenly' },
  { value: 'tighten', words: 'into one copy more', note: 'no interval wider than asked' },
  { value: 'extra', words: 'to a copy at the far end', note: 'in a shorter bay of its own' },
]
