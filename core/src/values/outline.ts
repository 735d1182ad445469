import { z } from 'zod'
import { flatPlace, positiveLength } from './values'

const ring = z.array(flatPlace).min(3).max(2000)

/** An outlined area on the pattern's ground: across and deep, in metres, about the origin for the two round ones. */
export const outline = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), width: positiveLength, depth: positiveLength }),
  z.object({ kind: z.literal('ellipse'), width: positiveLength, depth: positiveLength }),
  z.object({
    kind: z.literal('polygon'),
    points: ring,
    /** Further outlines: by the even-odd rule one that lies inside another is a hole, one beside it an area of its own. */
    more: z.array(ring).max(500).optional(),
  }),
])
export type OutlineShape = z.infer<typeof outline>
