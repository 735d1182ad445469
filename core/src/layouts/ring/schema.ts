import { z } from 'zod'
import { endRules, outlines, twoOf } from '../../values/spacing'
import { axis, finite, length } from '../../values/values'

export const ringTriple = ['count', 'spacing', 'radius'] as const
export type RingHeld = (typeof ringTriple)[number]
/** Spacing round a ring: along the arc, straight from pivot to pivot, or clear between outlines. */
export const ringMeasures = ['arc', 'chord', 'gap'] as const
export type RingMeasure = (typeof ringMeasures)[number]

export const ring = z.object({
  kind: z.literal('ring'),
  hold: twoOf(ringTriple),
  count: finite,
  spacing: length,
  measure: z.enum(ringMeasures),
  radius: length,
  /** All the way round, or through an angle (several turns too) with its ends. */
  sweep: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('full') }),
    z.object({ kind: z.literal('arc'), angle: finite, ends: z.enum(endRules) }),
  ]),
  /** Angle of the first copy, counter-clockwise seen from the tip of the axis; from across for up and deep, from up for across. */
  start: finite,
  sense: z.union([z.literal(1), z.literal(-1)]),
  axis,
  /** What turns towards the outside: the front of a copy where the axis is up, its upper side otherwise. */
  facing: z.enum(['out', 'in', 'along', 'turning', 'unchanged']),
  /** Concentric rings outward, each with as many copies as keep the spacing, or with the same count. */
  rings: z.int().min(1).max(1000),
  radialPitch: length,
  ringCounts: z.enum(['keepSpacing', 'same']),
  /** Along the axis and outward, for each step, for each turn, or from the first to the last. */
  rise: length,
  risePer: z.enum(['step', 'turn', 'total']),
  widen: length,
  widenPer: z.enum(['step', 'turn', 'total']),
  outlines,
})
export type Ring = z.infer<typeof ring>

/** One level ring all the way round, its copies facing out. */
export const plainRing: Ring = {
  kind: 'ring',
  hold: ['count', 'radius'],
  count: 16,
  spacing: 0.08,
  measure: 'gap',
  radius: 0.24,
  sweep: { kind: 'full' },
  start: 0,
  sense: 1,
  axis: 'up',
  facing: 'out',
  rings: 1,
  radialPitch: 0.1,
  ringCounts: 'keepSpacing',
  rise: 0,
  risePer: 'step',
  widen: 0,
  widenPer: 'step',
}
