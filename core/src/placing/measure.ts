import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { gapOf } from '../clearing/gap'
import { rotate } from '../geometry/rotation'
import { type Vec3, cross, dot, minus, plus, times } from '../geometry/vec'
import { gapsByMesh } from '../parts/meshGaps'
import type { PartSource } from '../parts/partMesh'
import { type Body, type Placeable, type Worked, bodiesOf } from './body'
import { alongPath } from './alongPath'
import { AXES } from './edges'
import { worldTable } from './worldTable'

/** One of the two things between which is measured: a place of the world that was clicked, of which thing, and how its face looks. */
export interface Mark {
  readonly at: Vec3
  readonly of?: Placeable
  readonly normal?: Vec3
}

/** Every distance and angle that is told. */
export const measures = [
  'clear',
  'points',
  'pivots',
  'path',
  'across',
  'up',
  'deep',
  'facing',
  'outsides',
  'faces',
  'fronts',
] as const
export type MeasureKind = (typeof measures)[number]
export const measureWords: Readonly<Record<MeasureKind, string>> = {
  clear: 'clear between surfaces',
  points: 'from click to click',
  pivots: 'pivot to pivot',
  path: 'along their path',
  across: 'across',
  up: 'up',
  deep: 'deep',
  facing: 'straight, face to face',
  outsides: 'outside to outside',
  faces: 'between the clicked faces',
  fronts: 'between their fronts',
}

/** One distance or angle, and for a distance the line on which it is drawn. */
export interface Measured {
  readonly kind: MeasureKind
  readonly says: { readonly length: number } | { readonly angle: number }
  readonly line?: readonly [Vec3, Vec3]
}

export interface Measuring extends Worked {
  /** The outline by which a thing takes up room. */
  shapeOf(thing: number): Convex | undefined
  readonly source: PartSource
}

/**
 * All distances between two marks at once, in metres: the free distance between the surfaces (by outlines, or by exact meshes), from
 * click to click, from pivot to pivot, along the path on which both stand, and how much of that lies along each axis; face to face and outside to outside along the axis
 * along which they lie farthest apart; the angles between the faces that were clicked and between their fronts, in radians.
 *
 * @param byMesh whether surfaces are the triangles; two that overlap are below 0 by the least move that frees their outlines
 */
export function measure(around: Measuring, a: Mark, b: Mark, byMesh = false): Measured[] {
  const found = (mark: Mark): Body | undefined => mark.of && bodiesOf(around, [mark.of])[0]
  const [one, other] = [found(a), found(b)]
  const from = one?.stands.move ?? a.at
  const to = other?.stands.move ?? b.at
  const by = minus(to, from)
  const axis = [0, 1, 2].reduce((most, i) => (Math.abs(by[i]) > Math.abs(by[most]) ? i : most), 0)
  const along = (kind: 'across' | 'up' | 'deep', i: number): Measured => {
    const corner = plus(from, times(AXES[i], by[i]))
    return { kind, says: { length: by[i] }, line: [from, corner] }
  }
  const path = a.of && b.of && alongPath(around, a.of, b.of)
  return [
    ...clear(around, a, b, byMesh),
    { kind: 'points', says: { length: Math.hypot(...minus(b.at, a.at)) }, line: [a.at, b.at] },
    { kind: 'pivots', says: { length: Math.hypot(...by) }, line: [from, to] },
    ...(path === undefined ? [] : [{ kind: 'path', says: { length: path } } as const]),
    along('across', 0),
    along('up', 1),
    along('deep', 2),
    ...(one && other ? faceToFace(one, other, axis) : []),
    ...(a.normal && b.normal
      ? [{ kind: 'faces', says: { angle: Math.PI - angleBetween(a.normal, b.normal) } } as const]
      : []),
    ...(one && other
      ? [
          {
            kind: 'fronts',
            says: { angle: angleBetween(rotate(one.stands.turn, FRONT), rotate(other.stands.turn, FRONT)) },
          } as const,
        ]
      : []),
  ]
}

const FRONT: Vec3 = [0, 0, 1]

/** The angle between two directions, exact also where they are nearly parallel. */
export const angleBetween = (a: Readonly<Vec3>, b: Readonly<Vec3>): number =>
  Math.atan2(Math.hypot(...cross(a, b)), dot(a, b))

function clear(around: Measuring, a: Mark, b: Mark, byMesh: boolean): Measured[] {
  if (!a.of || !b.of) return []
  const table = worldTable(around, [a.of, b.of])
  if (table.count !== 2) return []
  const bodies = new Bodies(table, (thing) => around.shapeOf(thing))
  if (!bodies.there[0] || !bodies.there[1]) return []
  const { gap, x, y, z } = gapOf(bodies, 0, 1)
  const way: Vec3 = [x, y, z]
  const told = byMesh ? gapsByMesh(around.source)(bodies, table.thing, Infinity).between(0, 1) : gap
  return [{ kind: 'clear', says: { length: told }, line: lineAcross(bodies, way, gap) }]
}

/** The line on which a free distance is drawn: along its way, from one outline to the other, beside the middle of both. */
function lineAcross(bodies: Bodies, way: Readonly<Vec3>, gap: number): readonly [Vec3, Vec3] {
  const out = new Float64Array(3)
  bodies.support(0, way[0], way[1], way[2], out, 0, 1)
  const level = dot(out, way)
  const { position: p, middle: m } = bodies
  const middle = [0, 1, 2].map((i) => (p[i] + m[i] + p[3 + i] + m[3 + i]) / 2) as Vec3
  const start = plus(middle, times(way, level - dot(middle, way)))
  return [start, plus(start, times(way, gap))]
}

function faceToFace(a: Body, b: Body, axis: number): Measured[] {
  const [one, other] = [a.reach(AXES[axis]), b.reach(AXES[axis])]
  const [first, second] = one.low + one.high <= other.low + other.high ? [one, other] : [other, one]
  const on = (at: number): Vec3 => a.stands.move.map((n, i) => (i === axis ? at : (n + b.stands.move[i]) / 2)) as Vec3
  const low = Math.min(one.low, other.low)
  const high = Math.max(one.high, other.high)
  return [
    { kind: 'facing', says: { length: second.low - first.high }, line: [on(first.high), on(second.low)] },
    { kind: 'outsides', says: { length: high - low }, line: [on(low), on(high)] },
  ]
}
