import { clearCopies } from './apply'
import type { StepDefinition } from '../definition'
import { type Clear, clear as schema, plainClear } from './schema'

export const clear: StepDefinition<Clear> = {
  schema,
  words: 'Clear',
  note: 'keep copies clear of each other',
  phase: 'clear',
  begin: (id) => ({ ...structuredClone(plainClear), id }),
  apply: (table, step, _, { clear: context }) => clearCopies(table, step, context),
  dials: [
    {
      key: 'clearance',
      words: 'the clearance',
      quantity: 'length',
      read: ({ clearance }) => clearance,
      write: (step, to) => void (step.clearance = Math.max(0, to)),
    },
  ],
  clearance: ({ clearance }) => clearance,
}
