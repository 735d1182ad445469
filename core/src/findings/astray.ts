import { plural } from '../words'
import type { FindingDefinition } from './definition'
import { inEachPattern } from './eachPattern'

/** Copies that settle and found nothing under them. */
export const astray: FindingDefinition = {
  weight: 0,
  find: inEachPattern(() => (_, outcome) => {
    const { astray, table } = outcome
    // Those that a later step has left out are not there any more.
    const rows = [...new Set(Object.values(astray).flat())].filter((row) => table.isPresent(row))
    return rows.length > 0 ? { count: rows.length, worst: 0, rows } : undefined
  }),
  says: ({ count, pattern }, nameOf) => [
    `${nameOf(pattern!)}: `,
    { count, tone: 'wrong' },
    plural(count, ' copy has', ' copies have'),
    ' no ground under ',
    plural(count, 'it and stays', 'them and stay'),
    ' where ',
    plural(count, 'it is.', 'they are.'),
  ],
  fixes: [{ by: 'empty', words: 'Leave those empty' }],
}
