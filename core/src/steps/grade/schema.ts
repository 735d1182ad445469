import { z } from 'zod'
import { easings, graded } from '../../values/graded'
import { ownId, ref } from '../../values/marks'
import { axis, finite, vec3 } from '../../values/values'

/** Changes one value from copy to copy: size as a factor, move in metres, turn in radians, in the copy's own axes. */
export const grade = z.object({
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
    z.object({ kind: z.literal('distance'), from: vec3 }),
  ]),
  easing: z.enum(easings),
})
export type Grade = z.infer<typeof grade>
