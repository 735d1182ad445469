import { ground as groundSchema } from '../model/ground'
import { partsNamed, referencesOf } from '../model/references'
import { referencesIn } from '../values/walk'
import { plural } from '../words'
import type { FindingDefinition } from './definition'

/** So many are named; of more it is said how many. */
const MOST_NAMED = 3

/** Parts that nothing names: no pattern, as it is or as it was, no ground, and no other part but those that are unused as well. */
export const unused: FindingDefinition = {
  weight: -3,
  find({ project }) {
    const used = new Set([
      ...project.patterns.flatMap((pattern) => referencesOf(pattern).map(({ id }) => id)),
      ...project.grounds.flatMap((ground) => referencesIn(groundSchema, ground).map(({ id }) => id)),
    ])
    const byId = new Map(project.parts.map((part) => [part.id, part]))
    // What is inside a part, or mirrored by it, is used with it.
    for (const id of used) for (const inner of byId.has(id) ? partsNamed(byId.get(id)!) : []) used.add(inner)
    const parts = project.parts.flatMap(({ id }) => (used.has(id) ? [] : [id]))
    return parts.length > 0 ? [{ parts, count: parts.length, worst: 0, rows: [] }] : []
  },
  says: ({ count, parts }, nameOf) => [
    { count },
    plural(count, ' part is', ' parts are'),
    ` never used: ${parts!.slice(0, MOST_NAMED).map(nameOf).join(', ')}${count > MOST_NAMED ? ' …' : '.'}`,
  ],
  fixes: [{ by: 'remove parts', words: 'Remove what is not used' }],
}
