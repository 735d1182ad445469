import { z } from 'zod'
import { easings, graded } from '../values/graded'
import { reflection } from '../values/reflection'
import { axis, finite, id, sides, vec3 } from '../values/values'
import { vary } from '../values/variation'

/** The saved selection to which a step keeps; all copies where it is absent. */
const only = id.optional()

/** Turns every copy so that one of its sides faces something. */
export const aim = z.object({
  kind: z.literal('aim'),
  id,
  only,
  /** A point in the pattern's axes, the centre of its copies, the way from each copy to the next, or a copy of a pattern. */
  at: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('point'), point: vec3 }),
    z.object({ kind: z.literal('centre') }),
    z.object({ kind: z.literal('along') }),
    z.object({ kind: z.literal('copy'), slot: z.string() }),
  ]),
  side: z.enum(sides),
  upright: z.boolean(),
})
export type Aim = z.infer<typeof aim>

/** Changes one value from copy to copy: size as a factor, move in metres, turn in radians, in the copy's own axes. */
export const grade = z.object({
  kind: z.literal('grade'),
  id,
  only,
  what: z.enum(graded),
  /** From the first to the last value; by an amount for each step; or, for sizes, by a factor for each step. */
  by: z.enum(['ends', 'amount', 'factor']),
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

/** Keeps every n-th copy, from the one numbered `from` (1 is the first). */
export const thin = z.object({ kind: z.literal('thin'), id, only, every: z.int().min(1), from: z.int().min(1) })
export type Thin = z.infer<typeof thin>

/** Adds the images of the copies so far across planes in the pattern's axes, or moves them across. */
export const reflect = reflection.extend({ kind: z.literal('reflect'), id, only })
export type Reflect = z.infer<typeof reflect>

export const step = z.discriminatedUnion('kind', [aim, grade, thin, reflect]).or(vary)
export type Step = z.infer<typeof step>
export type StepKind = Step['kind']
