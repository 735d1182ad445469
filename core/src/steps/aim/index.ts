import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { aimStep } from './apply'
import { type Aim, aim as schema } from './schema'
import { aimSentence } from './sentence'

export const aim: StepDefinition<Aim> = {
  schema,
  words: 'Aim',
  note: 'face a point, the centre, a copy or along',
  sentence: [...aimSentence, keepTo],
  phase: 'shape',
  lasting: ['side', 'upright'],
  begin: (id) => ({ kind: 'aim', id, at: { kind: 'centre' }, side: 'front', upright: true }),
  apply: aimStep,
}
