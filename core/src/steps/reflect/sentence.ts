import { reflectionWords } from '../../mirror/sentence'
import type { Template } from '../../sentences/nodes'
import type { Reflect } from './schema'

export const reflectSentence: Template<Reflect> = [
  'Reflect all of it across ',
  ...reflectionWords<Reflect>('the middle of the copies'),
]
