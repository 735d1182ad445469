import { guideDistances } from '../evaluation/guides'
import { definitionOf } from '../layouts/index'
import { depthIn } from '../scatter/area'
import { plural } from '../words'
import type { FindingDefinition } from './definition'
import { inEachPattern } from './eachPattern'

/** What is out by less than this is on the edge, in metres. */
const ON_THE_EDGE = 1e-6

/** Copies of a filled area that steps or touch-ups have taken across its edge, by their pivots. */
export const outside: FindingDefinition = {
  weight: 0,
  find: inEachPattern(({ project }) => ({ id, layout, place }, { table }) => {
    const filled = definitionOf(layout).area?.(
      layout,
      guideDistances(project, id, () => place),
    )
    if (!filled) return undefined
    const { area, margin } = filled
    const rows: number[] = []
    let worst = 0
    for (let k = 0; k < table.count; k++) {
      if (!table.isPresent(k)) continue
      const [x, z] = [table.position[3 * k], table.position[3 * k + 2]]
      // The margin along the edge is none to what is kept off: there it counts into what is beyond.
      const beyond = (area.beyond?.(x, z) ?? Infinity) - margin
      const out = -Math.min(depthIn(area.rings, x, z), beyond)
      if (out <= ON_THE_EDGE) continue
      rows.push(k)
      worst = Math.max(worst, out)
    }
    return rows.length > 0 ? { count: rows.length, worst, rows } : undefined
  }),
  says: ({ count, worst, pattern }, nameOf) => [
    `${nameOf(pattern!)}: `,
    { count, tone: 'wrong' },
    plural(count, ' copy stands', ' copies stand'),
    ' outside the outline, the farthest by ',
    { length: worst, tone: 'wrong' },
    '.',
  ],
  fixes: [{ by: 'empty', words: 'Leave those empty' }],
}
