import { z } from 'zod'
import { orElse, ref } from './marks'
import { axis, finite, length, placeIn, vec3 } from './values'

/** Where a mirror plane stands: which way it faces, what it goes through, and how far it is moved along its normal. */
export const plane = z.object({
  facing: z.discriminatedUnion('kind', [
    /** Facing an axis, turned by an angle: planes across and deep about up, a level one about deep. Radians. */
    z.object({ kind: z.literal('axis'), axis, angle: finite }),
    z.object({ kind: z.literal('free'), normal: vec3.refine((n) => Math.hypot(...n) > 1e-9, 'a direction') }),
  ]),
  through: orElse(
    z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('origin') }),
      /** The middle of the box about the pivots of what is mirrored. */
      z.object({ kind: z.literal('centre') }),
      z.object({ kind: z.literal('copy'), pattern: ref('pattern'), slot: z.string().max(20) }),
      z.object({ kind: z.literal('point'), at: placeIn }),
    ]),
    { kind: 'origin' },
  ),
  offset: length,
})
export type MirrorPlane = z.infer<typeof plane>

/**
 * What becomes of a shape: mirrored, as the part's twin; kept, with only its front and up mirrored; or automatic: kept where
 * it is its own mirror image, otherwise mirrored.
 */
const shapeAnswers = ['auto', 'mirrored', 'kept'] as const
export type ShapeAnswer = (typeof shapeAnswers)[number]

/** How grain and pictures lie on a mirrored copy: mirrored like the pages of a book, running on in the arrangement's own direction, or turned with the copy. */
const surfaceWays = ['book', 'continued', 'turned'] as const
export type SurfaceWay = (typeof surfaceWays)[number]

/** A reflection across one plane, or across two or three at once; shared by the layout and the step. */
export const reflection = z.object({
  planes: z.array(plane).min(1).max(3),
  /** Both sides stay, or things move across. */
  keep: z.enum(['both', 'across']),
  what: z.enum(['both', 'place', 'turn']),
  shapes: z.enum(shapeAnswers),
  /** Parts that are answered otherwise. */
  answers: z.record(ref('thing', 'aside'), z.enum(shapeAnswers)),
  surfaces: z.enum(surfaceWays),
})
export type Reflection = z.infer<typeof reflection>

/** What a mirror mirrors: a pattern, the patterns of a group, or the copies of a saved selection. */
export const mirrorSource = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('pattern'), id: ref('pattern') }),
  z.object({ kind: z.literal('group'), id: ref('group') }),
  z.object({ kind: z.literal('set'), id: ref('set') }),
])
export type MirrorSource = z.infer<typeof mirrorSource>

/** A plane that faces an axis and goes through the origin. */
export const plainPlane = (facing: z.infer<typeof axis>): MirrorPlane => ({
  facing: { kind: 'axis', axis: facing, angle: 0 },
  through: { kind: 'origin' },
  offset: 0,
})

/** Across one plane, both sides kept; parts with a hand are mirrored, symmetric ones kept. */
export const plainReflection = (facing: z.infer<typeof axis>): Reflection => ({
  planes: [plainPlane(facing)],
  keep: 'both',
  what: 'both',
  shapes: 'auto',
  answers: {},
  surfaces: 'book',
})
