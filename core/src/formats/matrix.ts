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
