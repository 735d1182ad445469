import { foldProject } from '../folding/foldProject'
import { partMesh } from '../parts/partMesh'
import { foldDefaults } from '../shapes/fold'
import { plural } from '../words'
import type { FindingDefinition } from './definition'

/** So many corners are compared by themselves; of more it takes seconds, and folding tells. */
const MOST_CORNERS = 200_000
/** So many are named; of more it is said how many. */
const MOST_NAMED = 3

/** Parts that are the shape of another in the same looks: they could be its linked copies. Found as folding finds them. */
export const alike: FindingDefinition = {
  weight: -2,
  find({ project, source }) {
    const { parts } = project
    let corners = 0
    for (const part of parts) {
      corners += (partMesh(part, source)?.positions.length ?? 0) / 3
      if (corners > MOST_CORNERS) return []
    }
    let made = 0
    const folded = foldProject(project, source, foldDefaults, (kind) => `${kind}-folded-${++made}`)
    const left = new Set(folded.parts.map(({ id }) => id))
    const gone = parts.flatMap(({ id }) => (left.has(id) ? [] : [id]))
    return gone.length > 0 ? [{ parts: gone, count: gone.length, worst: 0, rows: [] }] : []
  },
  says: ({ count, parts }, nameOf) => [
    { count },
    plural(count, ' part is', ' parts are'),
    ` the shape of another: ${parts!.slice(0, MOST_NAMED).map(nameOf).join(', ')}${count > MOST_NAMED ? ' …' : '.'}`,
  ],
  fixes: [{ by: 'fold', words: 'Fold …' }],
}
