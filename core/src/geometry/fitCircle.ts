import { greatest } from './extremes'

/** A circle in a plane. */
export interface Circle {
  readonly centre: readonly [number, number]
  readonly radius: number
}

/** A circle so much larger than what lies on it is a straight line. */
const STRAIGHT = 1000
const MOST_STEPS = 50

/**
 * The circle that fits places best: the sum of their squared distances from it is the least. From the circle that an equation in one step gives
 * (linear in x² + y²; it comes out too small where the places lie on a short arc) by Gauss–Newton steps to the nearest one, after
 * Gander, Golub and Strebel, *Least-squares fitting of circles and ellipses*, BIT 34 (1994).
 *
 * @param places in the plane, three or more
 * @returns undefined where they lie on a line, or all on one place
 * @example fitCircle([[1, 0], [0, 1], [-1, 0]]) // centre [0, 0], radius 1
 */
export function fitCircle(places: readonly (readonly [number, number])[]): Circle | undefined {
  const n = places.length
  if (n < 3) return undefined
  const middle = [0, 1].map((i) => places.reduce((sum, p) => sum + p[i], 0) / n)
  const spread = greatest(places.map((p) => Math.hypot(p[0] - middle[0], p[1] - middle[1])))
  // About their middle and in units of their spread: far from the origin the squares would cost digits.
  const near = places.map((p) => [(p[0] - middle[0]) / spread, (p[1] - middle[1]) / spread] as const)
  let circle = spread > 0 ? byEquation(near) : undefined
  for (let i = 0; circle && i < MOST_STEPS; i++) {
    const by = nearer(near, circle)
    if (!by) return undefined
    circle = { x: circle.x + by[0], y: circle.y + by[1], r: circle.r + by[2] }
    if (Math.hypot(...by) < 1e-15 * circle.r) break
  }
  if (!circle || !(circle.r < STRAIGHT)) return undefined
  return {
    centre: [middle[0] + spread * circle.x, middle[1] + spread * circle.y],
    radius: spread * circle.r,
  }
}

interface Around {
  readonly x: number
  readonly y: number
  readonly r: number
}

/** x² + y² = 2ax + 2by + c by least squares; the places have their middle at 0. */
function byEquation(near: readonly (readonly [number, number])[]): Around | undefined {
  let [xx, xy, yy, xs, ys, s] = [0, 0, 0, 0, 0, 0]
  for (const [x, y] of near) {
    const square = x * x + y * y
    xx += x * x
    xy += x * y
    yy += y * y
    xs += x * square
    ys += y * square
    s += square
  }
  const det = xx * yy - xy * xy
  if (!(det > 1e-12 * s * s)) return undefined
  const [a, b] = [(xs * yy - ys * xy) / (2 * det), (ys * xx - xs * xy) / (2 * det)]
  return { x: a, y: b, r: Math.sqrt(s / near.length + a * a + b * b) }
}

/** One step of Gauss–Newton: what is added to the centre and the radius. */
function nearer(near: readonly (readonly [number, number])[], { x, y, r }: Around): readonly number[] | undefined {
  // Normal equations of three unknowns, with rows −u, −v, −1 for a place in the direction (u, v) of the centre.
  let [uu, uv, vv, u1, v1, ue, ve, e1] = [0, 0, 0, 0, 0, 0, 0, 0]
  for (const [px, py] of near) {
    const away = Math.hypot(px - x, py - y)
    const [u, v] = away > 0 ? [(px - x) / away, (py - y) / away] : [0, 0]
    const missing = away - r
    uu += u * u
    uv += u * v
    vv += v * v
    u1 += u
    v1 += v
    ue += u * missing
    ve += v * missing
    e1 += missing
  }
  const n = near.length
  // The radius is taken out first: it is the mean of what the centre leaves.
  const [a, b, c] = [uu - (u1 * u1) / n, uv - (u1 * v1) / n, vv - (v1 * v1) / n]
  const [p, q] = [ue - (u1 * e1) / n, ve - (v1 * e1) / n]
  const det = a * c - b * b
  if (!(det > 0)) return undefined
  const [dx, dy] = [(p * c - q * b) / det, (q * a - p * b) / det]
  return [dx, dy, (e1 - u1 * dx - v1 * dy) / n]
}
