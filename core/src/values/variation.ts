import { z } from 'zod'
import { fileRef, inMetres, ref, seed, sizesBy } from './marks'
import { outline } from './outline'
import { easings, graded, isMove } from './graded'
import { axis, color, finite, flatPlace, length, placeIn, positiveLength } from './values'

export const varied = [...graded, 'tilt', 'turnAny', 'color'] as const
export type Varied = (typeof varied)[number]

const atLeastZero = inMetres(finite.refine((n) => n >= 0, '0 or more'))

/** What varies by chance: one value between low and high, a turn, or a colour. Size as a factor, move in metres, turn in radians. */
export const variation = sizesBy(
  z
    .object({
      what: z.enum(varied),
      /** For a colour the share of the way from its first to its second. */
      low: finite,
      high: finite,
      /** Evenly between them, or most of all in the middle. */
      spread: z.enum(['even', 'bell']),
      /** Rounded to whole multiples of this; not at all where it is absent. */
      steps: finite.refine((n) => n > 0, 'more than 0').optional(),
      /** Whose axes moves and turns follow. */
      axes: z.enum(['copy', 'pattern', 'world']),
      seed: seed(),
      /** The two colours between which copies vary, and in how many shades. */
      colors: z.object({ from: color, to: color, shades: z.int().min(2).max(64) }).optional(),
    })
    .refine((v) => v.low <= v.high, 'low is not above high')
    .refine((v) => !v.what.startsWith('size') || v.low > 0, 'a size is more than 0')
    .refine((v) => (v.what === 'color') === (v.colors !== undefined), 'a colour varies between two colours'),
  (v, by) =>
    isMove(v.what) ? { ...v, low: v.low * by, high: v.high * by, ...(v.steps && { steps: v.steps * by }) } : v,
)
export type Variation = z.infer<typeof variation>

/** From where distances are taken: in the pattern's axes, or the guide or the outline of another pattern. */
const reachFrom = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('point'), point: placeIn }),
  z.object({ kind: z.literal('plane'), axis, at: length }),
  /** On the pattern's ground, about a middle across and deep; inside it the distance is 0. */
  z.object({ kind: z.literal('outline'), outline, middle: flatPlace }),
  z.object({ kind: z.literal('pattern'), pattern: ref('pattern', 'guide') }),
])
export type ReachFrom = z.infer<typeof reachFrom>

/**
 * Where a variation reaches: with full strength at one distance from something and not at all at another, and less and less
 * between them. Whichever of the two is nearer: with `none` the nearer one it spares what is near.
 */
export const reach = z.object({ from: reachFrom, full: atLeastZero, none: atLeastZero, easing: z.enum(easings) })
export type Reach = z.infer<typeof reach>

/** What gives a copy its value in place of chance: dark gives the low one, light the high one. */
export const driver = z.discriminatedUnion('kind', [
  /** The brightness of a picture that lies on the pattern's ground, or stands across it, its middle and width in metres. */
  z.object({
    kind: z.literal('picture'),
    file: fileRef('picture'),
    fileName: z.string().max(200),
    plane: z.enum(['ground', 'upright']),
    middle: flatPlace,
    width: positiveLength,
  }),
  /** The brightness of the nearest vertex colour on the copies of another pattern. */
  z.object({ kind: z.literal('colors'), pattern: ref('pattern') }),
])
export type Driver = z.infer<typeof driver>
