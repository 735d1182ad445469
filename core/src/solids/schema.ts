import { z } from 'zod'
import { curve } from '../values/curve'
import { inMetres } from '../values/marks'
import { color, finite, length, positiveLength } from '../values/values'

const notBelowZero = finite.refine((n) => n >= 0, '0 or more')

/** Solids made from numbers. Each stands on its base: its pivot is the centre of its footprint, at the bottom. */
export const solid = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('box'), width: positiveLength, height: positiveLength, depth: positiveLength }),
  z.object({
    kind: z.literal('roundedBox'),
    width: positiveLength,
    height: positiveLength,
    depth: positiveLength,
    radius: positiveLength,
  }),
  z.object({ kind: z.literal('cylinder'), width: positiveLength, height: positiveLength }),
  z.object({ kind: z.literal('cone'), width: positiveLength, top: inMetres(notBelowZero), height: positiveLength }),
  z.object({ kind: z.literal('sphere'), width: positiveLength }),
  z.object({ kind: z.literal('capsule'), width: positiveLength, height: positiveLength }),
  z.object({ kind: z.literal('torus'), width: positiveLength, thickness: positiveLength }),
  z.object({ kind: z.literal('plane'), width: positiveLength, depth: positiveLength }),
  z.object({
    kind: z.literal('lathe'),
    /** Turned about the up axis, from the first point to the last; a colour holds from its point to the next. */
    profile: z
      .array(z.object({ radius: inMetres(notBelowZero), height: length, color: color.optional() }))
      .min(2)
      .max(500),
  }),
  /** Round along a curve, its ends flat. */
  z.object({ kind: z.literal('tube'), curve, thickness: positiveLength }),
  /** Closed outlines, drawn or lettered, made so deep towards the front; outlines inside others are holes. */
  z.object({ kind: z.literal('extrusion'), curve, depth: positiveLength }),
])
export type Solid = z.infer<typeof solid>
export type SolidKind = Solid['kind']

/** How a solid is bent out of its plain form. */
export const form = z.object({
  /** Flat sides round the axis, or rings along the height. */
  segments: z.int().min(3).max(256).optional(),
  /** Size of the top against the base; 1 leaves it. */
  taper: finite.refine((n) => n > 0, 'more than 0').optional(),
  /** The angle, in radians, through which its height is bent towards the right; 0 leaves it straight. */
  bend: finite.optional(),
  /** The angle, in radians, by which its top is turned about up against its base, counter-clockwise seen from above. */
  twist: finite.optional(),
})
export type Form = z.infer<typeof form>
