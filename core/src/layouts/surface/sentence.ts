import { type Template, sentenceOf, things } from '../../sentences/nodes'
import { seedField } from '../../sentences/seedField'
import type { Surface } from './schema'

const say = sentenceOf<Surface>()

export const surfaceSentence: Template<Surface> = [
  'Spread ',
  say.number('count', { label: 'Count', undo: 'count', quantity: 'count' }),
  ' ',
  things,
  'over ',
  say.choice('over', {
    label: 'Ground',
    undo: 'ground',
    options: (_, { project }) => project.grounds.map(({ id, name }) => ({ value: id, words: '', name })),
  }),
  ', ',
  say.choice('how', {
    label: 'Spread',
    undo: 'spread',
    options: [
      { value: 'even', words: 'evenly', note: 'at random, with a least distance in space' },
      { value: 'random', words: 'at random', note: 'by true area' },
    ],
  }),
  say.where(
    ({ how }) => how === 'even',
    [', ', say.number('least', { label: 'Least distance', undo: 'least distance', quantity: 'length' }), ' apart'],
  ),
  ', ',
  ...seedField<Surface>(
    'Seed',
    (surface) => surface.seed,
    (surface, to) => void (surface.seed = to),
    'seed',
  ),
  say.clause(
    ({ steepest }) => steepest === Math.PI / 2,
    [
      ', where it leans less than ',
      say.number('steepest', {
        label: 'Steepest',
        undo: 'steepest',
        quantity: 'angle',
        state: 'free',
        check: (to) => (to > 0 && to <= Math.PI / 2 ? undefined : ['A ground leans from 0° to 90°.']),
      }),
    ],
  ),
  ', ',
  say.choice('stands', {
    label: 'Standing',
    undo: 'standing',
    options: [
      { value: 'normal', words: 'along the normal' },
      { value: 'upright', words: 'upright' },
    ],
  }),
  '.',
]
