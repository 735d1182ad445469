import type { Curve, CurveKind } from '../values/curve'
import type { Vec3 } from '../values/values'
import { type Result, done, refused } from '../words'
import { catenary } from './catenary'
import { type Contour, type Segment, cubic, formula, line, remembering } from './segment'
import { smoothThrough } from './smooth'

type Builders = { readonly [K in CurveKind]: (curve: Extract<Curve, { kind: K }>) => Result<Contour[]> }

const lines = remembering<Segment>()
const cubics = remembering<Segment>()
const contoursOf = new WeakMap<Curve, Result<Contour[]>>()

const TURN = 2 * Math.PI
/** On the ground, seen from above: angle 0 lies across, a quarter turn on lies away from the viewer. */
const flat = (angle: number, radius: number, y = 0): Vec3 => [radius * Math.cos(angle), y, -radius * Math.sin(angle)]

const builders: Builders = {
  points: ({ points, smooth, closed }) => {
    const distinct = points.filter((p, i) => i === 0 || Math.hypot(...p.map((n, k) => n - points[i - 1][k])) > 1e-12)
    if (distinct.length < 2) return refused('The points of the curve lie on one spot. Move them apart.')
    const ring = closed && distinct.length > 2
    if (smooth && distinct.length > 2) return done([{ segments: smoothThrough(distinct, ring), closed: ring }])
    const ends = ring ? [...distinct, distinct[0]] : distinct
    return done([{ segments: ends.slice(1).map((p, i) => lines(ends[i], [p], () => line(ends[i], p))), closed: ring }])
  },
  bezier: ({ runs }) => {
    const contours = runs.map(({ start, pieces, closed }): Contour => {
      let from = start
      const segments: Segment[] = []
      for (const piece of pieces) {
        const [a, b, to] = piece
        const [begin, straight] = [from, same(a, from) && same(b, to)]
        if (!(straight && same(from, to)))
          segments.push(cubics(piece, [begin], () => (straight ? line(begin, to) : cubic(begin, a, b, to))))
        from = to
      }
      if (closed && !same(from, start)) segments.push(line(from, start))
      return { segments, closed }
    })
    const real = contours.filter((c) => c.segments.length > 0)
    return real.length > 0 ? done(real) : refused('The curve has no length. Move its points apart.')
  },
  arc: ({ radius, start, angle }) => {
    if (Math.abs(angle) < 1e-12) return refused('An arc of 0° has no length. Type an angle such as 180°.')
    const closed = Math.abs(Math.abs(angle) - TURN) < 1e-12
    return done([
      {
        segments: [
          turning(
            start,
            angle,
            () => radius,
            () => 0,
            () => 0,
            () => 0,
          ),
        ],
        closed,
      },
    ])
  },
  ellipse: ({ width, depth }) => {
    const [a, b] = [width / 2, depth / 2]
    const quarter = (k: number): Segment =>
      formula(
        (t) => [a * Math.cos(((k + t) * Math.PI) / 2), 0, -b * Math.sin(((k + t) * Math.PI) / 2)],
        (t) => [
          (-a * Math.PI * Math.sin(((k + t) * Math.PI) / 2)) / 2,
          0,
          (-b * Math.PI * Math.cos(((k + t) * Math.PI) / 2)) / 2,
        ],
      )
    return done([{ segments: [0, 1, 2, 3].map(quarter), closed: true }])
  },
  polygon: ({ sides, radius }) => {
    const corner = (i: number): Vec3 => flat(TURN / 4 + (TURN * i) / sides, radius)
    return done([
      { segments: Array.from({ length: sides }, (_, i) => line(corner(i), corner((i + 1) % sides))), closed: true },
    ])
  },
  helix: ({ radius, endRadius, height, turns }) => {
    const widening = endRadius - radius
    const segment = turning(
      0,
      TURN * turns,
      (t) => radius + widening * t,
      () => widening,
      (t) => height * t,
      () => height,
    )
    return done([{ segments: [segment], closed: false }])
  },
  spiral: ({ radius, growth, each, turns }) => {
    if (growth === 'times' && !(each > 0))
      return refused('A spiral grows by a factor above 0 with each turn. Type a number such as 1.5.')
    const last = growth === 'add' ? radius + each * turns : radius * each ** turns
    if (!(last > 0)) return refused('The spiral would come to a radius below 0. Type fewer turns or a smaller change.')
    const rate = growth === 'add' ? each * turns : Math.log(each) * turns
    const at = (t: number): number => (growth === 'add' ? radius + rate * t : radius * Math.exp(rate * t))
    const change = (t: number): number => (growth === 'add' ? rate : rate * at(t))
    return done([
      {
        segments: [
          turning(
            0,
            TURN * turns,
            at,
            change,
            () => 0,
            () => 0,
          ),
        ],
        closed: false,
      },
    ])
  },
  catenary: ({ to, by, value }) => {
    const made = catenary(to, by, value)
    return made.ok ? done([{ segments: [made.value], closed: false }]) : made
  },
}

/** The contours of a curve, kept as long as the curve stays the same object; a sentence where its numbers give none. */
export function buildCurve<K extends CurveKind>(curve: Extract<Curve, { kind: K }>): Result<Contour[]> {
  const known = contoursOf.get(curve)
  if (known) return known
  const made = builders[curve.kind as K](curve)
  contoursOf.set(curve, made)
  return made
}

const same = (a: Readonly<Vec3>, b: Readonly<Vec3>): boolean => a[0] === b[0] && a[1] === b[1] && a[2] === b[2]

/** A piece that turns about the up axis, its radius and height given with their derivatives by t. */
function turning(
  start: number,
  angle: number,
  radius: (t: number) => number,
  widening: (t: number) => number,
  height: (t: number) => number,
  rise: (t: number) => number,
): Segment {
  return formula(
    (t) => flat(start + angle * t, radius(t), height(t)),
    (t) => {
      const [a, r, dr] = [start + angle * t, radius(t), widening(t)]
      return [dr * Math.cos(a) - r * angle * Math.sin(a), rise(t), -dr * Math.sin(a) - r * angle * Math.cos(a)]
    },
  )
}
