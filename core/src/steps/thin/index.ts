import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { thinStep } from './apply'
import { type Thin, thin as schema } from './schema'
import { thinSentence } from './sentence'

export const thin: StepDefinition<Thin> = {
  schema,
  words: 'Thin',
  note: 'keep every 2nd, 3rd …',
  sentence: [...thinSentence, keepTo],
  phase: 'shape',
  lasting: ['every'],
  begin: (id) => ({ kind: 'thin', id, every: 2, from: 1 }),
  apply: thinStep,
}
