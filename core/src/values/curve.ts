import { z } from 'zod'
import { finite, positive, vec3 } from './values'

/** A cubic Bézier run: a start, then two handles and an end for each piece. A straight piece has its handles on its ends. */
const bezierRun = z.object({
  start: vec3,
  pieces: z
    .array(z.tuple([vec3, vec3, vec3]))
    .min(1)
    .max(5000),
  closed: z.boolean(),
})
export type BezierRun = z.infer<typeof bezierRun>

/** A guide on which copies are placed, in the pattern's own axes, metres and radians. */
export const curve = z.discriminatedUnion('kind', [
  /** Through points, straight or smoothly. */
  z.object({
    kind: z.literal('points'),
    points: z.array(vec3).min(2).max(2000),
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
      z.object({ kind: z.literal('edges'), part: z.string().max(80) }),
      z.object({ kind: z.literal('text'), text: z.string().max(200), font: z.string().max(200), size: positive }),
    ]),
  }),
  /** A part of a circle about the origin, lying on the ground; 2π closes it. */
  z.object({ kind: z.literal('arc'), radius: positive, start: finite, angle: finite }),
  z.object({ kind: z.literal('ellipse'), width: positive, depth: positive }),
  z.object({ kind: z.literal('polygon'), sides: z.int().min(3).max(1000), radius: positive }),
  /** About the up axis; a second radius at its top makes it conical. */
  z.object({ kind: z.literal('helix'), radius: positive, endRadius: positive, height: finite, turns: positive }),
  /** On the ground: so much wider with each turn, or so many times as wide. */
  z.object({
    kind: z.literal('spiral'),
    radius: positive,
    growth: z.enum(['add', 'times']),
    each: finite,
    turns: positive,
  }),
  /** A chain hanging from the origin to a point, by its length or by its sag. */
  z.object({ kind: z.literal('catenary'), to: vec3, by: z.enum(['length', 'sag']), value: finite }),
])
export type Curve = z.infer<typeof curve>
export type CurveKind = Curve['kind']
