import type { StepDefinition } from '../definition'
import { keepTo } from '../../sentences/keepTo'
import { varyStep } from './apply'
import { type Vary, vary as schema } from './schema'
import { varySentence } from './sentence'
import { startVariation } from './start'

export const vary: StepDefinition<Vary> = {
  schema,
  words: 'Vary',
  note: 'size, move or turn by chance that belongs to the copy',
  sentence: [...varySentence, keepTo],
  phase: 'shape',
  varies: true,
  lasting: ['what', 'low', 'high', 'spread', 'steps', 'axes', 'colors', 'share', 'strength'],
  begin: (id) => ({ kind: 'vary', id, ...startVariation('turnUp', 17), share: 1, strength: 1 }),
  apply: varyStep,
}
