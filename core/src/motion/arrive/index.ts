import { keepTo } from '../../sentences/keepTo'
import type { MovementDefinition } from '../definition'
import { prepareArrival } from './prepare'
import { type Arrive, arrive as schema } from './schema'
import { arriveSentence } from './sentence'

/** Where they come from as they arrive, and where they go as they leave. */
const ways: Readonly<Record<Arrive['from'], { readonly in: string; readonly out: string }>> = {
  below: { in: 'from below', out: 'downward' },
  above: { in: 'from above', out: 'upward' },
  left: { in: 'from the left', out: 'to the left' },
  right: { in: 'from the right', out: 'to the right' },
  front: { in: 'from the front', out: 'to the front' },
  behind: { in: 'from behind', out: 'to the back' },
  path: { in: 'along the path', out: 'back along the path' },
  place: { in: 'from a place', out: 'to a place' },
}
/** In seconds. */
const EACH = 0.6

export const arrive: MovementDefinition<Arrive> = {
  schema,
  words: 'Arrive',
  note: 'come in one after another, or leave',
  sentence: [...arriveSentence, keepTo],
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
  summary: ({ way, from }) => `${way === 'in' ? 'arrive' : 'leave'} ${ways[from][way]}`,
  prepare: prepareArrival,
}
