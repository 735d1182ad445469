import { z } from 'zod'
import { measures, roomEdges } from '../spacing/measure'
import { endRules, leftovers, triple } from '../spacing/solve'
import { curve } from '../values/curve'
import { mirrorSource, reflection } from '../values/reflection'
import { axis, finite, id, vec3 } from '../values/values'

/** Where a line runs: along an axis, plus or minus, or by so much across, up and deep from each copy to the next. */
export const direction = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('axis'), axis, sign: z.union([z.literal(1), z.literal(-1)]) }),
  z.object({ kind: z.literal('amounts'), step: vec3 }),
])
export type Direction = z.infer<typeof direction>

/** Two different ones of three, the one held longer first. */
const twoOf = <T extends string>(three: readonly [T, T, T]) => {
  const held = z.enum(three)
  return z.tuple([held, held]).refine(([a, b]) => a !== b, 'two different ones are held')
}

/** Copies along one direction: any two of count, spacing and room are held. Lengths in metres. */
export const spacing = z.object({
  hold: twoOf(triple),
  count: finite,
  spacing: finite,
  measure: z.enum(measures),
  room: finite,
  edges: z.enum(roomEdges),
  ends: z.enum(endRules),
  leftover: z.enum(leftovers),
})
export type Spacing = z.infer<typeof spacing>

export const line = spacing.extend({ kind: z.literal('line'), direction })
export type Line = z.infer<typeof line>

/** Where the pattern's origin lies along one direction of a grid. */
export const anchors = ['start', 'centre', 'end'] as const
export type Anchor = (typeof anchors)[number]

export const grid = z.object({
  kind: z.literal('grid'),
  across: spacing,
  deep: spacing,
  up: spacing,
  /** In step; every so many rows shifted by a share of the pitch; or hexagonal, the row pitch √3/2 of the column pitch. */
  rows: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('inStep') }),
    z.object({ kind: z.literal('offset'), share: finite, every: z.int().min(1) }),
    z.object({ kind: z.literal('hexagonal') }),
  ]),
  /** Which places are used: all, those on the outer edge of each layer, or every other one as on a checkerboard. */
  only: z.enum(['all', 'border', 'checker']),
  anchor: z.object({ across: z.enum(anchors), deep: z.enum(anchors), up: z.enum(anchors) }),
  /** How copies are numbered: row after row, back and forth, or from the centre outward. */
  order: z.enum(['rows', 'backAndForth', 'fromCentre']),
})
export type Grid = z.infer<typeof grid>

export const ringTriple = ['count', 'spacing', 'radius'] as const
export type RingHeld = (typeof ringTriple)[number]
/** Spacing round a ring: along the arc, straight from pivot to pivot, or clear between outlines. */
export const ringMeasures = ['arc', 'chord', 'gap'] as const
export type RingMeasure = (typeof ringMeasures)[number]

export const ring = z.object({
  kind: z.literal('ring'),
  hold: twoOf(ringTriple),
  count: finite,
  spacing: finite,
  measure: z.enum(ringMeasures),
  radius: finite,
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
  radialPitch: finite,
  ringCounts: z.enum(['keepSpacing', 'same']),
  /** Along the axis and outward, for each step, for each turn, or from the first to the last. */
  rise: finite,
  risePer: z.enum(['step', 'turn', 'total']),
  widen: finite,
  widenPer: z.enum(['step', 'turn', 'total']),
})
export type Ring = z.infer<typeof ring>

const side = finite.refine((n) => n > 0, 'more than 0')
/** An outlined area on the pattern's ground: across and deep, in metres, about the origin for the two round ones. */
export const outline = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('rectangle'), width: side, depth: side }),
  z.object({ kind: z.literal('ellipse'), width: side, depth: side }),
  z.object({
    kind: z.literal('polygon'),
    points: z
      .array(z.tuple([finite, finite]))
      .min(3)
      .max(2000),
  }),
])
export type OutlineShape = z.infer<typeof outline>

export const fill = z.object({
  kind: z.literal('fill'),
  outline,
  /** Free along the edge. */
  margin: finite.refine((n) => n >= 0, '0 or more'),
  by: z.enum(['count', 'density']),
  count: finite,
  /** Copies a square metre. */
  density: finite,
  /** At random, at random with a least distance between pivots, or as the seeds of a sunflower. */
  how: z.enum(['random', 'even', 'sunflower']),
  least: finite,
  seed: z.int().min(0).max(0xffffffff),
})
export type Fill = z.infer<typeof fill>

export const companion = z.object({
  kind: z.literal('companion'),
  host: id,
  /** What it is tied to on the host copy, along that copy's own up: its base, its middle, its top, its pivot, or a point
   * that its part names. */
  at: z.enum(['base', 'centre', 'top', 'pivot', 'point']),
  /** With `point`: the name of a point on the host's parts. */
  point: z.string().max(80).optional(),
  offset: vec3,
  turn: vec3,
  /** Whether offset and turn follow the host copy's own axes, or stay with the world's. */
  axes: z.enum(['copy', 'world']),
  every: z.int().min(1),
})
export type Companion = z.infer<typeof companion>

/** How distances on a path are taken: along it in true length; straight from copy to copy; or from corner to corner. */
export const pathWays = ['length', 'straight', 'corners'] as const
export type PathWay = (typeof pathWays)[number]
export const pathFacings = ['unchanged', 'along', 'upright', 'leastTwist'] as const
export type PathFacing = (typeof pathFacings)[number]

export const path = z.object({
  kind: z.literal('path'),
  curve,
  way: z.enum(pathWays),
  /** Which of count and spacing is held; the curve gives the room. */
  hold: z.enum(['count', 'spacing']),
  count: finite,
  spacing: finite,
  measure: z.enum(measures),
  ends: z.enum(endRules),
  leftover: z.enum(leftovers),
  /** Kept free at the start and the end, along the curve. */
  insetStart: finite.refine((n) => n >= 0, '0 or more'),
  insetEnd: finite.refine((n) => n >= 0, '0 or more'),
  /** How far all copies are moved along the curve; round and round on a closed one. */
  slide: finite,
  reverse: z.boolean(),
  /** Several contours one after another, as though they were one, or each for itself. */
  contours: z.enum(['asOne', 'each']),
  facing: z.enum(pathFacings),
  /** A turn about the curve, from nothing at the first copy to this at the last, in radians. */
  twist: finite,
  /** Sideways to the right of the way, and upward, in metres. */
  aside: finite,
  lift: finite,
  /** Strips that join end to end: each copy stretched along the curve so that it reaches the next, or the dealt part of the nearest length. */
  join: z.enum(['no', 'stretch', 'choose']),
  /** Whether the curve is drawn; it is a guide and never exported. */
  shown: z.boolean(),
})
export type Path = z.infer<typeof path>

const sized = finite.refine((n) => n > 0, 'more than 0')

/** A place of its own for one copy: moved, turned (a quaternion x y z w) and sized as it is; the part that stands there, unless it is dealt. */
export const spot = z.object({
  slot: z.int().min(0).max(0xffffffff),
  move: vec3,
  turn: z.tuple([finite, finite, finite, finite]).optional(),
  size: z.tuple([sized, sized, sized]).optional(),
  part: id.optional(),
  name: z.string().max(80).optional(),
})
export type Spot = z.infer<typeof spot>

/** The most places of their own in one pattern: each is kept in the document. */
export const MAX_SPOTS = 20_000

export const spots = z.object({ kind: z.literal('spots'), spots: z.array(spot).max(MAX_SPOTS) })
export type Spots = z.infer<typeof spots>

/** The images of other patterns' copies across planes; its own axes are those in which the planes stand. It deals nothing itself. */
export const mirror = reflection.extend({ kind: z.literal('mirror'), sources: z.array(mirrorSource).min(1).max(200) })
export type Mirror = z.infer<typeof mirror>

export const layout = z.discriminatedUnion('kind', [line, grid, ring, fill, companion, path, spots, mirror])
export type Layout = z.infer<typeof layout>
export type LayoutKind = Layout['kind']
