import type { StepDefinition } from '../definition'
import { varyStep } from './apply'
import { type Vary, vary as schema } from './schema'
import { startVariation } from './start'

export const vary: StepDefinition<Vary> = {
  schema,
  words: 'Vary',
  note: 'size, move or turn by chance that belongs to the copy',
  phase: 'shape',
  begin: (id) => ({ kind: 'vary', id, ...startVariation('turnUp', 17), share: 1, strength: 1 }),
  apply: varyStep,
  dials: [
    {
      key: 'strength',
      words: 'the strength',
      quantity: 'share',
      read: ({ strength }) => strength,
      write: (step, to) => void (step.strength = Math.min(1, Math.max(0, to))),
    },
  ],
}
