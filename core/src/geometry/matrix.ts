import type { Vec3 } from './vec'
import { type Quaternion, fromAxes } from './rotation'

/** 4 × 4 matrices in columns, as glTF writes them. */
export type Matrix = readonly number[]

export const IDENTITY: Matrix = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]

/** a·b. */
export function times(a: Matrix, b: Matrix): Matrix {
  return Array.from({ length: 16 }, (_, i) => {
    const [row, column] = [i % 4, i - (i % 4)]
    return a[row] * b[column] + a[row + 4] * b[column + 1] + a[row + 8] * b[column + 2] + a[row + 12] * b[column + 3]
  })
}

/** Move · turn (quaternion x y z w) · size. */
export function composed(
  [px, py, pz]: readonly number[],
  [x, y, z, w]: readonly number[],
  [sx, sy, sz]: readonly number[],
): Matrix {
  return [
    (1 - 2 * (y * y + z * z)) * sx,
    2 * (x * y + w * z) * sx,
    2 * (x * z - w * y) * sx,
    0,
    2 * (x * y - w * z) * sy,
    (1 - 2 * (x * x + z * z)) * sy,
    2 * (y * z + w * x) * sy,
    0,
    2 * (x * z + w * y) * sz,
    2 * (y * z - w * x) * sz,
    (1 - 2 * (x * x + y * y)) * sz,
    0,
    px,
    py,
    pz,
    1,
  ]
}

/** The matrix that carries normals: cofactors of the upper 3 × 3, with the sign that keeps them on the outer side. */
export function cofactors(m: Matrix): number[] {
  const c = [
    m[5] * m[10] - m[6] * m[9],
    m[6] * m[8] - m[4] * m[10],
    m[4] * m[9] - m[5] * m[8],
    m[2] * m[9] - m[1] * m[10],
    m[0] * m[10] - m[2] * m[8],
    m[1] * m[8] - m[0] * m[9],
    m[1] * m[6] - m[2] * m[5],
    m[2] * m[4] - m[0] * m[6],
    m[0] * m[5] - m[1] * m[4],
  ]
  const sign = Math.sign(determinant(m)) || 1
  return c.map((value) => sign * value)
}

export const determinant = (m: Matrix): number =>
  m[0] * (m[5] * m[10] - m[6] * m[9]) - m[4] * (m[1] * m[10] - m[2] * m[9]) + m[8] * (m[1] * m[6] - m[2] * m[5])

/**
 * A matrix as move · turn · size, with the mirroring across that comes before them where it turns things inside out;
 * undefined where it leans (a shear) or presses things flat, which no move, turn and size can say.
 */
export function takenApart(m: Matrix): { move: Vec3; turn: Quaternion; size: Vec3; mirrored: boolean } | undefined {
  const column = (c: number): Vec3 => [m[4 * c], m[4 * c + 1], m[4 * c + 2]]
  const [x, y, z] = [column(0), column(1), column(2)]
  const size = [x, y, z].map((v) => Math.hypot(...v)) as Vec3
  const most = Math.max(...size)
  if (!(Math.min(...size) > 1e-9 * most)) return undefined
  const mirrored = determinant(m) < 0
  const [a, b, c] = [x, y, z].map((v, i) => v.map((n) => (n / size[i]) * (mirrored && i === 0 ? -1 : 1)) as Vec3)
  const leans = (v: Vec3, w: Vec3): boolean => Math.abs(v[0] * w[0] + v[1] * w[1] + v[2] * w[2]) > 1e-5
  if (leans(a, b) || leans(b, c) || leans(c, a)) return undefined
  const q = fromAxes(a, b, c)
  const n = Math.hypot(...q)
  // Sizes that rounding alone makes different are one, and what it takes from 1 is given back: up to 2⁻²² for a turn in 32 bits.
  const even = Math.max(...size) - Math.min(...size) <= 1e-6 * most
  const each = Math.abs(size[0] - 1) <= 2 ** -22 ? 1 : size[0]
  return {
    move: [m[12], m[13], m[14]],
    turn: [q[0] / n, q[1] / n, q[2] / n, q[3] / n],
    size: even ? [each, each, each] : size,
    mirrored,
  }
}
