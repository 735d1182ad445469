import { z } from 'zod'
import { frame } from './frame'
import { inMetres, ref, sizesBy } from './marks'
import { finite, length, placeIn, positive, positiveLength } from './values'

/** A cubic Bézier run: a start, then two handles and an end for each piece. A straight piece has its handles on its ends. */
const bezierRun = z.object({
  start: placeIn,
  pieces: z
    .array(z.tuple([placeIn, placeIn, placeIn]))
    .min(1)
    .max(5000),
  closed: z.boolean(),
})
export type BezierRun = z.infer<typeof bezierRun>

/**
 * Which edges of a part: the straight edge beside a place; the chain that it belongs to, from where more than two edges meet to the
 * next such place; or the loop round the face beside it.
 */
const chosenEdges = z.object({
  as: z.enum(['edge', 'chain', 'loop']),
  /** A place on the edge as shares of the box about the part, so that it is found again where the part has another size. */
  at: z.tuple([finite, finite, finite]),
  /** The way the face looks that the loop goes round, in the part's own axes. */
  toward: z.tuple([finite, finite, finite]),
  /** So many times as large as the part along its axes; less than 0 across where it is a mirror image. */
  size: inMetres(placeIn),
})
export type ChosenEdges = z.infer<typeof chosenEdges>

/** A guide on which copies are placed, in the pattern's own axes, metres and radians. */
export const curve = z.discriminatedUnion('kind', [
  /** Through points, straight or smoothly. */
  z.object({
    kind: z.literal('points'),
    points: z.array(placeIn).min(2).max(2000),
    smooth: z.boolean(),
    closed: z.boolean(),
  }),
  /** With handles; drawn here, read from a drawing, the edges of a part, or the outline of a text. */
  z.object({
    kind: z.literal('bezier'),
    runs: z.array(bezierRun).min(1).max(2000),
    from: z.discriminatedUnion('kind', [
      z.object({ kind: z.literal('hand') }),
      z.object({ kind: z.literal('drawing'), fileName: z.string().max(200) }),
      /** Those of a part, by the name that it has or had; where it is still there, they go along with it. */
      z.object({
        kind: z.literal('edges'),
        part: z.string().max(80),
        of: ref('part', 'aside').optional(),
        /** How the part stood when they were taken: they stay where they are when its pivot moves. */
        frame: frame.optional(),
        which: chosenEdges.optional(),
      }),
      z.object({ kind: z.literal('text'), text: z.string().max(200), font: z.string().max(200), size: positiveLength }),
    ]),
  }),
  /** A part of a circle about the origin, lying on the ground; 2π closes it. */
  z.object({ kind: z.literal('arc'), radius: positiveLength, start: finite, angle: finite }),
  z.object({ kind: z.literal('ellipse'), width: positiveLength, depth: positiveLength }),
  z.object({ kind: z.literal('polygon'), sides: z.int().min(3).max(1000), radius: positiveLength }),
  /** About the up axis; a second radius at its top makes it conical. */
  z.object({
    kind: z.literal('helix'),
    radius: positiveLength,
    endRadius: positiveLength,
    height: length,
    turns: positive,
  }),
  /** On the ground: so much wider with each turn, or so many times as wide. */
  sizesBy(
    z.object({
      kind: z.literal('spiral'),
      radius: positive,
      growth: z.enum(['add', 'times']),
      each: finite,
      turns: positive,
    }),
    (spiral, by) => ({
      ...spiral,
      radius: spiral.radius * by,
      ...(spiral.growth === 'add' && { each: spiral.each * by }),
    }),
  ),
  /** A chain hanging from the origin to a point, by its length or by its sag. */
  z.object({ kind: z.literal('catenary'), to: placeIn, by: z.enum(['length', 'sag']), value: length }),
])
export type Curve = z.infer<typeof curve>
export type CurveKind = Curve['kind']
