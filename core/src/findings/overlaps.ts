import { plural } from '../words'
import type { FindingDefinition } from './definition'

/** Copies that overlap others of their pattern. */
export const overlaps: FindingDefinition = {
  weight: 0,
  find:
    ({ crowdOf }) =>
    (pattern, outcome) => {
      const { overlaps: found } = crowdOf(pattern, outcome)
      if (found.length === 0) return undefined
      const rows = new Set(found.flatMap(({ first, second }) => [first, second]))
      return { count: found.length, worst: found[0].depth, rows: [...rows] }
    },
  says: ({ count, worst }, name) => [
    { count },
    plural(count, ' overlap in ', ' overlaps in '),
    `${name}, the worst `,
    { length: worst, tone: 'wrong' },
    ' deep',
  ],
  fixes: [{ by: 'step', words: 'Keep them clear', step: 'clear' }],
}
