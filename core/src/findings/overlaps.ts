import { MOST_OVERLAPS } from '../clearing/overlaps'
import { plural } from '../words'
import type { FindingDefinition } from './definition'
import { inEachPattern } from './eachPattern'

/** Copies that overlap others of their pattern. */
export const overlaps: FindingDefinition = {
  weight: 0,
  find: inEachPattern(({ overlapsOf }) => (pattern, outcome) => {
    const found = overlapsOf(pattern, outcome)
    if (found.length === 0) return undefined
    const rows = new Set(found.flatMap(({ first, second }) => [first, second]))
    return { count: found.length, worst: found[0].depth, rows: [...rows] }
  }),
  says: ({ count, worst, pattern }, nameOf) => [
    `${nameOf(pattern!)}: ${count < MOST_OVERLAPS ? '' : 'more than '}`,
    { count, tone: 'wrong' },
    plural(count, ' pair overlaps', ' pairs overlap'),
    ', the deepest by ',
    { length: worst, tone: 'wrong' },
    '.',
  ],
  fixes: [{ by: 'step', words: 'Keep them clear', step: 'clear' }],
}
