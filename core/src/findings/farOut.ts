import { inAxes } from '../evaluation/inAxes'
import { plural } from '../words'
import type { FindingDefinition } from './definition'
import { inEachPattern } from './eachPattern'

/** Files keep places in 32 bits; off by more than this they are said to be too far out, in metres. */
const MOST_OFF = 1e-5

/** Half the distance between neighbouring 32-bit numbers: by so much a place is off at the most (IEEE 754, binary32). */
export const roundingAt = (metres: number): number => 2 ** (Math.floor(Math.log2(Math.abs(metres) || 1)) - 24)

/** Copies so far from the origin that a file would not keep their places to a hundredth of a millimetre. */
export const farOut: FindingDefinition = {
  weight: 0,
  find: inEachPattern(() => ({ place }, { expanded, owner }) => {
    const { position: p, count } = inAxes(expanded, place)
    const rows = new Set<number>()
    let worst = 0
    for (let k = 0; k < count; k++) {
      if (!expanded.isPresent(k)) continue
      const off = roundingAt(Math.max(Math.abs(p[3 * k]), Math.abs(p[3 * k + 1]), Math.abs(p[3 * k + 2])))
      if (off <= MOST_OFF) continue
      worst = Math.max(worst, off)
      rows.add(owner ? owner[k] : k)
    }
    return rows.size > 0 ? { count: rows.size, worst, rows: [...rows] } : undefined
  }),
  says: ({ count, worst, pattern }, nameOf) => [
    `${nameOf(pattern!)}: `,
    { count, tone: 'wrong' },
    plural(count, ' copy stands', ' copies stand'),
    ' so far from the origin that a file is off by up to ',
    { length: worst, tone: 'wrong' },
    ' there. Move the arrangement nearer to it.',
  ],
  fixes: [],
}
