import type { StepDefinition } from '../definition'
import { gradeStep } from './apply'
import { type Grade, grade as schema } from './schema'

export const grade: StepDefinition<Grade> = {
  schema,
  words: 'Grade',
  note: 'size, move or turn from the first to the last',
  phase: 'shape',
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
