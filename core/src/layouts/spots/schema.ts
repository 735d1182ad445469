import { z } from 'zod'
import { ref } from '../../values/marks'
import { finite, placeIn } from '../../values/values'

const sized = finite.refine((n) => n > 0, 'more than 0')

/** A place of its own for one copy: moved, turned (a quaternion x y z w) and sized as it is; the part that stands there, unless it is dealt. */
export const spot = z.object({
  slot: z.int().min(0).max(0xffffffff),
  move: placeIn,
  turn: z
    .tuple([finite, finite, finite, finite])
    .refine((q) => Math.hypot(...q) > 1e-9, 'a turn')
    .optional(),
  size: z.tuple([sized, sized, sized]).optional(),
  part: ref('thing').optional(),
  name: z.string().max(80).optional(),
})
export type Spot = z.infer<typeof spot>

/** The most places of their own in one pattern: each is kept in the document. */
export const MAX_SPOTS = 200_000

export const spots = z.object({
  kind: z.literal('spots'),
  spots: z
    .array(spot)
    .max(MAX_SPOTS)
    .refine((all) => new Set(all.map((s) => s.slot)).size === all.length, 'two spots carry one slot'),
})
export type Spots = z.infer<typeof spots>
