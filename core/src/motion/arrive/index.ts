import type { MovementDefinition } from '../definition'
import { prepareArrival } from './prepare'
import { type Arrive, arrive as schema } from './schema'
import { arriveSentence } from './sentence'

const fromWords = {
  below: 'from below',
  above: 'from above',
  left: 'from the left',
  right: 'from the right',
  front: 'from the front',
  behind: 'from behind',
  path: 'along the path',
  place: 'from a place',
}
/** In seconds. */
const EACH = 0.6

export const arrive: MovementDefinition<Arrive> = {
  schema,
  words: 'Arrive',
  note: 'come in one after another, or leave',
  sentence: arriveSentence,
  begin: (id, copies, length) => ({
    kind: 'arrive',
    id,
    way: 'in',
    order: 'theirs',
    seed: 1,
    near: [0, 0, 0],
    hold: ['apart', 'each'],
    begin: 0,
    // So that all have come in half of the time, in hundredths.
    apart: copies < 2 ? 0.1 : Math.max(Math.floor((100 * (length / 2 - EACH)) / (copies - 1)), 1) / 100,
    each: EACH,
    inAll: length / 2,
    from: 'below',
    place: [0, 0, 0],
    distance: 0.1,
    turn: 0,
    about: 'up',
    size: 1,
    easing: 'slowLast',
  }),
  summary: ({ way, from }) =>
    way === 'in' ? `arrive ${fromWords[from]}` : `leave as they would come ${fromWords[from]}`,
  prepare: prepareArrival,
}
