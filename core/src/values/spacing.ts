import { z } from 'zod'
import { axis, finite, length, placeIn } from './values'

/** Count, spacing and room: any two are held, the third is worked out. */
export const triple = ['count', 'spacing', 'room'] as const
export type Held = (typeof triple)[number]

/**
 * How a spacing is read between neighbours: *pitch* from pivot to pivot, *gap* the clear distance between their
 * outlines, *overall* from the outside of one to the outside of the other.
 */
export const measures = ['pitch', 'gap', 'overall'] as const
export type Measure = (typeof measures)[number]

/** Between what a room is measured: the first and last pivots, or the outsides of the first and last copies. */
export const roomEdges = ['centres', 'outsides'] as const
export type RoomEdges = (typeof roomEdges)[number]

/**
 * What stands at the ends of the room: a copy at both ends; a copy at the start and one interval free at the end; an
 * interval free at both ends; half an interval free at both ends.
 */
export const endRules = ['both', 'start', 'between', 'half'] as const
export type Ends = (typeof endRules)[number]

/**
 * Where a leftover goes: to the end, the start or both ends; into the intervals, which widen; into the intervals with
 * one copy more, so that none is wider than asked; or one copy more at the far end, in a bay of its own.
 */
export const leftovers = ['end', 'start', 'both', 'widen', 'tighten', 'extra'] as const
export type Leftover = (typeof leftovers)[number]

/**
 * Whose outlines a spacing is kept between: those of the parts as they are dealt, in full size and unturned; where it is absent,
 * those of the copies as they stand, sized and turned by steps and by hand.
 */
export const outlines = z.literal('dealt').optional()

/** Where a line runs: along an axis, plus or minus, or by so much across, up and deep from each copy to the next. */
export const direction = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('axis'), axis, sign: z.union([z.literal(1), z.literal(-1)]) }),
  z.object({ kind: z.literal('amounts'), step: placeIn }),
])
export type Direction = z.infer<typeof direction>

/** Two different ones of three, the one held longer first. */
export const twoOf = <T extends string>(three: readonly [T, T, T]) => {
  const held = z.enum(three)
  return z.tuple([held, held]).refine(([a, b]) => a !== b, 'two different ones are held')
}

/** Copies along one direction: any two of count, spacing and room are held. Lengths in metres. */
export const spacing = z.object({
  hold: twoOf(triple),
  count: finite,
  spacing: length,
  measure: z.enum(measures),
  room: length,
  edges: z.enum(roomEdges),
  ends: z.enum(endRules),
  leftover: z.enum(leftovers),
})
export type Spacing = z.infer<typeof spacing>

/** Whether outlines matter to a spacing at all. */
export const goesByOutlines = ({ measure, edges }: Pick<Spacing, 'measure' | 'edges'>): boolean =>
  measure !== 'pitch' || edges === 'outsides'

/** One copy, with a pitch for more of them: what a direction is before anything is asked of it. */
export const plainSpacing: Spacing = {
  hold: ['count', 'spacing'],
  count: 1,
  spacing: 0.1,
  measure: 'pitch',
  room: 0,
  edges: 'centres',
  ends: 'both',
  leftover: 'end',
}

/** So many copies with a gap between their outlines, as a new layout begins. */
export const gapped = (count: number, gap: number): Spacing => ({
  ...plainSpacing,
  hold: ['spacing', 'count'],
  count,
  spacing: gap,
  measure: 'gap',
  room: 1,
  edges: 'outsides',
})
