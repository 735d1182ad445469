import { z } from 'zod'
import { ownId, ref } from '../../values/marks'
import { placeIn, sides } from '../../values/values'

/** Turns every copy so that one of its sides faces something. */
export const aim = z.object({
  kind: z.literal('aim'),
  id: ownId(),
  /** The saved selection to which it keeps; all copies where it is absent. */
  only: ref('set').optional(),
  /** A point in the pattern's axes, the centre of its copies, the way from each copy to the next, or a copy of a pattern. */
  at: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('point'), point: placeIn }),
    z.object({ kind: z.literal('centre') }),
    z.object({ kind: z.literal('along') }),
    z.object({ kind: z.literal('copy'), slot: z.string() }),
  ]),
  side: z.enum(sides),
  upright: z.boolean(),
})
export type Aim = z.infer<typeof aim>
