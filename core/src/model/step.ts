import { z } from 'zod'
import { reflection } from './mirror'
import { axis, finite, id, sides, vec3 } from './values'

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

export const graded = [
  'size',
  'sizeAcross',
  'sizeUp',
  'sizeDeep',
  'moveAcross',
  'moveUp',
  'moveDeep',
  'turnAcross',
  'turnUp',
  'turnDeep',
] as const
export type Graded = (typeof graded)[number]
export const easings = ['evenly', 'slowFirst', 'slowLast', 'slowBoth'] as const
export type Easing = (typeof easings)[number]

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

export const varied = [...graded, 'tilt', 'turnAny'] as const
export type Varied = (typeof varied)[number]

const share = finite.refine((n) => n >= 0 && n <= 1, 'from 0 to 1')

/** What varies by chance: one value between low and high, or a turn. Size as a factor, move in metres, turn in radians. */
export const variation = z
  .object({
    what: z.enum(varied),
    low: finite,
    high: finite,
    /** Evenly between them, or most of all in the middle. */
    spread: z.enum(['even', 'bell']),
    /** Rounded to whole multiples of this; not at all where it is absent. */
    steps: finite.refine((n) => n > 0, 'more than 0').optional(),
    /** Whose axes moves and turns follow. */
    axes: z.enum(['copy', 'pattern', 'world']),
    seed: z.int().min(0).max(0xffffffff),
  })
  .refine((v) => v.low <= v.high, 'low is not above high')
  .refine((v) => !v.what.startsWith('size') || v.low > 0, 'a size is more than 0')
export type Variation = z.infer<typeof variation>

/** Changes one value of each copy by chance; the chance belongs to the copy. */
export const vary = variation.and(
  z.object({
    kind: z.literal('vary'),
    id,
    only,
    /** The share of copies that it reaches, each by its own chance; or exactly so many, which then depends on who else is there. */
    share,
    exactly: z.int().min(0).max(1_000_000).optional(),
    /** From 0, where nothing changes, to 1. */
    strength: share,
  }),
)
export type Vary = z.infer<typeof vary>

export const step = z.discriminatedUnion('kind', [aim, grade, thin, reflect]).or(vary)
export type Step = z.infer<typeof step>
export type StepKind = Step['kind']
