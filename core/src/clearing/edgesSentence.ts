import type { Pattern } from '../model/pattern'
import { sentenceOf } from '../sentences/nodes'

/** What counts as the edge of a pattern's copies, when overlaps are found and cleared. */
export const edgesChoice = sentenceOf<Pattern>().choice(({ edges }) => edges ?? 'outline', {
  label: 'Measured',
  undo: 'edges',
  options: [
    {
      value: 'outline',
      words: 'from outline to outline',
      note: 'convex hulls; solids from numbers in their true form',
    },
    { value: 'mesh', words: 'from surface to surface', note: 'hollows count too; it takes longer' },
  ],
  write: (pattern, edges) => {
    if (edges === 'mesh') pattern.edges = edges
    else delete pattern.edges
  },
})
