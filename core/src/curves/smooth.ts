import type { Vec3 } from '../values/values'
import { type Segment, cubic, remembering } from './segment'

const minus = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/**
 * A smooth curve through points: centripetal Catmull–Rom (Barry & Goldman 1988; Yuksel and others 2011), which neither
 * loops nor overshoots between close points. Each span is written as the cubic Bézier that equals it; at the ends of an
 * open curve the neighbour is mirrored.
 */
export function smoothThrough(points: readonly Readonly<Vec3>[], closed: boolean): Segment[] {
  const n = points.length
  const at = (i: number): Readonly<Vec3> | undefined => (closed ? points[(i + n) % n] : points[i])
  return Array.from({ length: closed ? n : n - 1 }, (_, i) => {
    const [p0, p1, p2, p3] = [at(i - 1), points[i], points[(i + 1) % n], at(i + 2)]
    return spans(p1, [p0, p2, p3], () => span(p0 ?? mirrored(p1, p2), p1, p2, p3 ?? mirrored(p2, p1)))
  })
}

const spans = remembering<Segment>()
const mirrored = (about: Readonly<Vec3>, p: Readonly<Vec3>): Vec3 => [
  2 * about[0] - p[0],
  2 * about[1] - p[1],
  2 * about[2] - p[2],
]

function span(p0: Readonly<Vec3>, p1: Readonly<Vec3>, p2: Readonly<Vec3>, p3: Readonly<Vec3>): Segment {
  // Knots are spaced by the square root of the chord; points that coincide get a hair's breadth.
  const gap = (a: Readonly<Vec3>, b: Readonly<Vec3>): number => Math.max(Math.sqrt(Math.hypot(...minus(a, b))), 1e-9)
  const [d1, d2, d3] = [gap(p0, p1), gap(p1, p2), gap(p2, p3)]
  const slope = (a: Readonly<Vec3>, b: Readonly<Vec3>, c: Readonly<Vec3>, da: number, db: number): Vec3 =>
    [0, 1, 2].map((i) => (b[i] - a[i]) / da - (c[i] - a[i]) / (da + db) + (c[i] - b[i]) / db) as Vec3
  const m1 = slope(p0, p1, p2, d1, d2)
  const m2 = slope(p1, p2, p3, d2, d3)
  const b1 = [0, 1, 2].map((i) => p1[i] + (m1[i] * d2) / 3) as Vec3
  const b2 = [0, 1, 2].map((i) => p2[i] - (m2[i] * d2) / 3) as Vec3
  return cubic(p1, b1, b2, p2)
}
