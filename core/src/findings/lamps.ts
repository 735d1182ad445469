import { MOST_LAMPS } from '../limits'
import type { FindingDefinition } from './definition'

/** More lights than the stage shows at night: each costs every pixel of it. Files have them all. */
export const lamps: FindingDefinition = {
  weight: -5,
  find({ project, outcomes }) {
    let count = 0
    for (const [i, { hidden }] of project.patterns.entries()) {
      const { expanded } = outcomes[i]
      for (let k = 0; !hidden && k < expanded.count; k++)
        if (expanded.isPresent(k) && project.parts[expanded.thing[k]]?.shape.kind === 'light') count++
    }
    return count > MOST_LAMPS ? [{ count, worst: 0, rows: [] }] : []
  },
  says: ({ count }) => [
    { count },
    ' lights: the stage shows ',
    { count: MOST_LAMPS },
    ' of them at night; files have them all.',
  ],
  fixes: [],
}
