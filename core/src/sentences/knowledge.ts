import { isShaped } from '../evaluation/isShaped'
import { definitionOf } from '../layouts/index'
import type { Knowledge } from './nodes'
import { patternNumbers } from './patternNumbers'

/** What sentences ask about layouts; it is given to them, as definitions have their sentences and cannot rest on each other. */
export const knowledge: Knowledge = {
  definitionOf,
  numbersOf: patternNumbers,
  isShaped: (pattern, { parts }) => isShaped(pattern, (id) => parts.find((p) => p.id === id)),
}
