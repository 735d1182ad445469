import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { gradeStep } from './apply'
import { type Grade, grade as schema } from './schema'
import { gradeSentence } from './sentence'

export const grade: StepDefinition<Grade> = {
  schema,
  words: 'Grade',
  note: 'size, move or turn from the first to the last',
  sentence: [...gradeSentence, keepTo],
  phase: 'shape',
  lasting: ['what', 'by', 'first', 'last', 'amount', 'factor', 'easing'],
  begin: (id) => ({
    kind: 'grade',
    id,
    what: 'size',
    by: 'ends',
    first: 1,
    last: 0.5,
    amount: 0.05,
    factor: 1.03,
    over: { kind: 'order' },
    easing: 'evenly',
  }),
  apply: gradeStep,
}
