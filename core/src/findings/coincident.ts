import { inAxes } from '../evaluation/inAxes'
import { keyOfFrame } from '../mirror/frames'
import { Taken } from '../mirror/taken'
import { plural } from '../words'
import type { FindingDefinition } from './definition'
import { inEachPattern } from './eachPattern'

/** Copies that stand exactly on another one, of any pattern. */
export const coincident: FindingDefinition = {
  // Copies that stand on others are there for nothing.
  weight: 1,
  find: inEachPattern(({ things }) => {
    const taken = new Taken(things)
    return ({ place }, { expanded, owner, frames }) => {
      const table = inAxes(expanded, place)
      const doubled: number[] = []
      for (let k = 0; k < table.count; k++) {
        if (!table.isPresent(k)) continue
        const frame = frames[table.surface[k] - 1]
        const surface = frame ? keyOfFrame(frame) : ''
        if (taken.has(table, k, surface)) doubled.push(k)
        else taken.add(table, k, surface)
      }
      if (doubled.length === 0) return undefined
      return { count: doubled.length, worst: 0, rows: [...new Set(doubled.map((k) => (owner ? owner[k] : k)))] }
    }
  }),
  says: ({ count, pattern }, nameOf) => [
    `${nameOf(pattern!)}: `,
    { count, tone: 'wrong' },
    plural(count, ' copy stands', ' copies stand'),
    ' exactly on another one.',
  ],
  fixes: [{ by: 'empty', words: 'Leave those empty' }],
}
