import { wholeFrom } from '../../sentences/checks'
import { type Template, sentenceOf } from '../../sentences/nodes'
import type { Thin } from './schema'

const say = sentenceOf<Thin>()

export const thinSentence: Template<Thin> = [
  'Keep one in every ',
  say.number('every', { label: 'Every', quantity: 'count', check: wholeFrom(1) }),
  say.clause(
    ({ from }) => from === 1,
    [
      ', beginning with number ',
      say.number('from', { label: 'Beginning with', quantity: 'count', state: 'free', check: wholeFrom(1) }),
    ],
  ),
  '.',
]
