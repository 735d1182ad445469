import { type Template, sentenceOf } from '../sentences/nodes'
import type { FoldOptions } from '../shapes/fold'

const say = sentenceOf<FoldOptions>()

/** Finds parts that are one shape. */
export const foldSentence: Template<FoldOptions> = [
  'Find parts that are one shape ',
  say.choice('by', {
    label: 'How parts are found',
    options: [
      { value: 'geometry', words: 'by geometry', note: 'all shapes are compared, whatever their names' },
      { value: 'name', words: 'by name', note: 'only those whose names differ by a number; still compared' },
    ],
  }),
  ', with ',
  say.choice('sizes', {
    label: 'Sizes',
    options: [
      { value: 'uniform', words: 'one size for all axes' },
      { value: 'axes', words: 'a size along each axis', note: 'for shapes that stand parallel' },
    ],
  }),
  ', no vertex off by more than ',
  say.number('tolerance', {
    label: 'Tolerance',
    quantity: 'length',
    state: 'free',
    check: (n) => (n > 0 ? undefined : ['Type a length above 0.']),
  }),
  '.',
]
