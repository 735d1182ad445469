import { nearestDistances } from '../../spacing/nearest'
import type { LayoutDefinition } from '../definition'
import { type CompanionOutcome, placeCompanion } from './place'
import { type Companion, companion as schema } from './schema'
import { companionSentence } from './sentence'

export const companion: LayoutDefinition<Companion, CompanionOutcome> = {
  schema,
  words: 'Companion',
  note: 'one with every copy of another pattern',
  sentence: companionSentence,
  summary: ({ host }, nameOf) => `companion of ${nameOf(host)}`,
  needs: 'pattern',
  lasting: ['at', 'axes', 'every'],
  begin: ({ host = '' }) => ({
    kind: 'companion',
    host,
    at: 'top',
    offset: [0, 0, 0],
    turn: [0, 0, 0],
    axes: 'copy',
    every: 1,
  }),
  place: placeCompanion,
  unroll: (_, { table }) => ({ as: 'nearest', distances: nearestDistances(table) }),
  host: ({ host }) => host,
}
