import { plural } from '../words'
import type { FindingDefinition } from './definition'

/** Copies that settle and found nothing under them. */
export const astray: FindingDefinition = {
  weight: 0,
  find: () => (_, outcome) => {
    const rows = new Set(Object.values(outcome.astray).flat())
    return rows.size > 0 ? { count: rows.size, worst: 0, rows: [...rows] } : undefined
  },
  says: ({ count }, name) => [
    `${name}: `,
    { count, tone: 'wrong' },
    plural(count, ' copy has', ' copies have'),
    ' no ground under ',
    plural(count, 'it and stays', 'them and stay'),
    ' where ',
    plural(count, 'it is.', 'they are.'),
  ],
  fixes: [{ by: 'empty', words: 'Leave those empty' }],
}
