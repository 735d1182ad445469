import { z } from 'zod'
import { ref } from '../../values/marks'
import { placeIn, vec3 } from '../../values/values'

export const companion = z.object({
  kind: z.literal('companion'),
  host: ref('pattern'),
  /** What it is tied to on the host copy, along that copy's own up: its base, its middle, its top, its pivot, or a point
   * that its part names. */
  at: z.enum(['base', 'centre', 'top', 'pivot', 'point']),
  /** With `point`: the name of a point on the host's parts. */
  point: z.string().max(80).optional(),
  offset: placeIn,
  turn: vec3,
  /** Whether offset and turn follow the host copy's own axes, or stay with the world's. */
  axes: z.enum(['copy', 'world']),
  every: z.int().min(1),
})
export type Companion = z.infer<typeof companion>
