import { clearCopies } from './apply'
import type { StepDefinition } from '../definition'
import { type Clear, clear as schema, plainClear } from './schema'
import { clearSentence } from './sentence'

export const clear: StepDefinition<Clear> = {
  schema,
  words: 'Clear',
  note: 'keep copies clear of each other',
  eases: 'A smaller clearance, fewer rounds, or outlines in place of surfaces as edges are less work.',
  sentence: clearSentence,
  phase: 'clear',
  lasting: ['how', 'clearance', 'within', 'rounds', 'axes', 'inside', 'floor', 'priority'],
  begin: (id) => ({ ...structuredClone(plainClear), id }),
  apply: (table, step, _, { clear: context }) => clearCopies(table, step, context),
  within: ({ within }) => within,
  from: ({ from }) => from,
  setFrom: (step, patterns) => void (step.from = [...patterns]),
  clearance: ({ clearance }) => clearance,
}
