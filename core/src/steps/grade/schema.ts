import { z } from 'zod'
import { easings, graded, isMove } from '../../values/graded'
import { ownId, ref, sizesBy } from '../../values/marks'
import { axis, finite, placeIn } from '../../values/values'

/** Changes one value from copy to copy: size as a factor, move in metres, turn in radians, in the copy's own axes. */
export const grade = sizesBy(
  z.object({
    kind: z.literal('grade'),
    id: ownId(),
    /** The saved selection to which it keeps; all copies where it is absent. */
    only: ref('set').optional(),
    what: z.enum(graded),
    /** From the first to the last value; the first one for all; by an amount for each step; or, for sizes, by a factor. */
    by: z.enum(['ends', 'all', 'amount', 'factor']),
    first: finite,
    last: finite,
    amount: finite,
    factor: finite.refine((n) => n > 0, 'more than 0'),
    /** What counts as a step: the copies' order, the way along an axis, or the distance from a point. */
    over: z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('order') }),
      z.object({ kind: z.literal('along'), axis }),
      z.object({ kind: z.literal('distance'), from: placeIn }),
    ]),
    easing: z.enum(easings),
  }),
  (g, by) => (isMove(g.what) ? { ...g, first: g.first * by, last: g.last * by, amount: g.amount * by } : g),
)
export type Grade = z.infer<typeof grade>
