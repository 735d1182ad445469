import { plainReflection } from '../../values/reflection'
import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { reflectStep } from './apply'
import { type Reflect, reflect as schema } from './schema'
import { reflectSentence } from './sentence'

export const reflect: StepDefinition<Reflect> = {
  schema,
  words: 'Reflect',
  note: 'the images of the copies so far, across one plane or more',
  sentence: [...reflectSentence, keepTo],
  phase: 'shape',
  begin: (id) => ({ kind: 'reflect', id, ...plainReflection('across') }),
  apply: reflectStep,
  isProposed: true,
  reflection: (step) => step,
}
