import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { settleCopies } from './apply'
import { type Settle, settle as schema } from './schema'
import { settleSentence } from './sentence'

export const settle: StepDefinition<Settle> = {
  schema,
  words: 'Settle',
  note: 'down onto a ground, or onto other copies',
  eases: 'To settle by the pivot or upright is less work than by the whole outline.',
  sentence: [...settleSentence, keepTo],
  phase: 'settle',
  lasting: ['which', 'stands', 'limit', 'by', 'above'],
  begin: (id, start) => ({
    kind: 'settle',
    id,
    on: start?.grounds.slice(0, 1).map((ground) => ({ kind: 'ground', ground })) ?? [],
    which: 'topmost',
    stands: 'upright',
    limit: Math.PI / 12,
    by: 'foot',
    above: 0,
  }),
  apply: (table, step, only, { settle: context }) => settleCopies(table, step, only, context),
}
