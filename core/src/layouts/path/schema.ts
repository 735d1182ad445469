import { z } from 'zod'
import { curve } from '../../values/curve'
import { inMetres } from '../../values/marks'
import { endRules, leftovers, measures, outlines } from '../../values/spacing'
import { finite, length } from '../../values/values'

/** How distances on a path are taken: along it in true length; straight from copy to copy; or from corner to corner. */
const pathWays = ['length', 'straight', 'corners'] as const
export type PathWay = (typeof pathWays)[number]
const pathFacings = ['unchanged', 'along', 'upright', 'leastTwist'] as const
export type PathFacing = (typeof pathFacings)[number]

export const path = z.object({
  kind: z.literal('path'),
  curve,
  way: z.enum(pathWays),
  /** Which of count and spacing is held; the curve gives the room. */
  hold: z.enum(['count', 'spacing']),
  count: finite,
  spacing: length,
  measure: z.enum(measures),
  ends: z.enum(endRules),
  leftover: z.enum(leftovers),
  /** Kept free at the start and the end, along the curve. */
  insetStart: inMetres(finite.refine((n) => n >= 0, '0 or more')),
  insetEnd: inMetres(finite.refine((n) => n >= 0, '0 or more')),
  /** How far all copies are moved along the curve; round and round on a closed one. */
  slide: length,
  reverse: z.boolean(),
  /** Several contours one after another, as though they were one, or each for itself. */
  contours: z.enum(['asOne', 'each']),
  facing: z.enum(pathFacings),
  /** A turn about the curve, from nothing at the first copy to this at the last, in radians. */
  twist: finite,
  /** Sideways to the right of the way, and upward, in metres. */
  aside: length,
  lift: length,
  /** Strips that join end to end: each copy stretched along the curve so that it reaches the next, or the dealt part of the nearest length. */
  join: z.enum(['no', 'stretch', 'choose']),
  /** Whether the curve is drawn; it is a guide and never exported. */
  shown: z.boolean(),
  outlines,
})
export type Path = z.infer<typeof path>

/** Along a whole curve by its true length, on it and upright. */
export const plainPath: Omit<Path, 'curve'> = {
  kind: 'path',
  way: 'length',
  hold: 'count',
  count: 8,
  spacing: 0.1,
  measure: 'pitch',
  ends: 'both',
  leftover: 'end',
  insetStart: 0,
  insetEnd: 0,
  slide: 0,
  reverse: false,
  contours: 'each',
  facing: 'upright',
  twist: 0,
  aside: 0,
  lift: 0,
  join: 'no',
  shown: true,
}
