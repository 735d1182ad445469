import { type Template, sentenceOf, things } from '../../sentences/nodes'
import { plural } from '../../words'
import type { Spots } from './schema'

const say = sentenceOf<Spots>()

export const spotsSentence: Template<Spots> = [
  'Place one ',
  things,
  'on each of ',
  say.reference({
    label: 'Spots',
    says: ({ spots }) => [
      { count: spots.length },
      ` ${plural(spots.length, 'place of its own', 'places of their own')}`,
    ],
    take: (layout, { spots }) => void (layout.spots = spots),
  }),
  '.',
]
