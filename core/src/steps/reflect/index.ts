import { plainReflection } from '../../values/reflection'
import type { StepDefinition } from '../definition'
import { reflectStep } from './apply'
import { type Reflect, reflect as schema } from './schema'

export const reflect: StepDefinition<Reflect> = {
  schema,
  words: 'Reflect',
  note: 'the images of the copies so far, across one plane or more',
  phase: 'shape',
  begin: (id) => ({ kind: 'reflect', id, ...plainReflection('across') }),
  apply: reflectStep,
  isProposed: true,
  reflection: (step) => step,
}
