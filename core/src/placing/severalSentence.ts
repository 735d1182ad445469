import { wholeFrom } from '../sentences/checks'
import { type Template, sentenceOf } from '../sentences/nodes'
import { MOST_MORE, type Several } from './several'

const say = sentenceOf<Several>()
const names = ['across', 'up', 'deep'] as const

const along = (i: 0 | 1 | 2) => [
  say.number(({ by }) => by[i], {
    label: `Step ${names[i]}`,
    quantity: 'length',
    state: 'free',
    write: ({ by }, to) => void (by[i] = to),
  }),
  ` ${names[i]}`,
]

/** Makes more of what is picked. */
export const severalSentence: Template<Several> = [
  'Make ',
  say.number('count', { label: 'How many more', quantity: 'count', check: wholeFrom(1, MOST_MORE) }),
  ' ',
  say.choice('where', {
    label: 'Where',
    options: [
      { value: 'before', words: 'more, each', note: 'so far from the one before' },
      { value: 'between', words: 'in between, the last', note: 'so far away' },
    ],
  }),
  ' ',
  ...along(0),
  say.clause(({ by }) => by[1] === 0, [', ', ...along(1)]),
  say.clause(({ by }) => by[2] === 0, [', ', ...along(2)]),
  say.when(({ where }) => where === 'before', [' from the one before']),
  say.when(({ where }) => where === 'between', [' away']),
  ', ',
  say.choice(({ linked }) => String(linked), {
    label: 'Linked',
    options: [
      { value: 'true', words: 'linked', note: 'they share the part' },
      { value: 'false', words: 'with an own part', note: 'nothing done to one reaches the other' },
    ],
    write: (how, to) => void (how.linked = to === 'true'),
  }),
  '.',
]
