import type { StepDefinition } from '../definition'
import { aimStep } from './apply'
import { type Aim, aim as schema } from './schema'

export const aim: StepDefinition<Aim> = {
  schema,
  words: 'Aim',
  note: 'face a point, the centre, a copy or along',
  phase: 'shape',
  begin: (id) => ({ kind: 'aim', id, at: { kind: 'centre' }, side: 'front', upright: true }),
  apply: aimStep,
}
