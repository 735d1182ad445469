import type { Quaternion } from '../geometry/rotation'

const NONE: readonly number[] = new Array<number>(10).fill(0)

/**
 * The turn and size that bring points a onto points b as nearly as can be in the mean square, both taken from their middles
 * (Horn, J. Opt. Soc. Am. A 4, 1987; the size as in Umeyama, IEEE PAMI 13(4), 1991). It is always a turn, never a mirroring.
 *
 * @param a three numbers a point
 * @param b three numbers a point, b's in the order of a's
 */
export function fitTurn(a: ArrayLike<number>, b: ArrayLike<number>): { turn: Quaternion; size: number } {
  let [square, xx, xy, xz, yx, yy, yz, zx, zy, zz] = NONE
  for (let i = 0; i < a.length; i += 3) {
    const ax = a[i]
    const ay = a[i + 1]
    const az = a[i + 2]
    const bx = b[i]
    const by = b[i + 1]
    const bz = b[i + 2]
    square += ax * ax + ay * ay + az * az
    xx += ax * bx
    xy += ax * by
    xz += ax * bz
    yx += ay * bx
    yy += ay * by
    yz += ay * bz
    zx += az * bx
    zy += az * by
    zz += az * bz
  }
  // The largest eigenvector of this matrix is the quaternion w x y z.
  const n = [
    [xx + yy + zz, yz - zy, zx - xz, xy - yx],
    [yz - zy, xx - yy - zz, xy + yx, zx + xz],
    [zx - xz, xy + yx, yy - xx - zz, yz + zy],
    [xy - yx, zx + xz, yz + zy, zz - xx - yy],
  ]
  const { values, vectors } = jacobi(n)
  const most = values.indexOf(Math.max(...values))
  const [w, x, y, z] = vectors.map((row) => row[most])
  return { turn: [x, y, z, w], size: square > 0 ? values[most] / square : 1 }
}

/** Eigenvalues and, in columns, eigenvectors of a symmetric matrix, by Jacobi's rotations. */
function jacobi(matrix: readonly (readonly number[])[]): { values: number[]; vectors: number[][] } {
  const n = matrix.length
  const a = matrix.map((row) => [...row])
  const v: number[][] = a.map((_, i) => a.map((__, j) => (i === j ? 1 : 0)))
  const scale = Math.max(1e-300, ...a.flat().map(Math.abs))
  for (let sweep = 0; sweep < 60; sweep++) {
    let off = 0
    for (let i = 0; i < n; i++) for (let j = i + 1; j < n; j++) off = Math.max(off, Math.abs(a[i][j]))
    if (off < 1e-17 * scale) break
    for (let i = 0; i < n; i++) {
      for (let j = i + 1; j < n; j++) {
        if (a[i][j] === 0) continue
        const theta = (a[j][j] - a[i][i]) / (2 * a[i][j])
        const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1))
        const c = 1 / Math.sqrt(t * t + 1)
        const s = t * c
        for (let k = 0; k < n; k++) {
          const [x, y] = [a[k][i], a[k][j]]
          a[k][i] = c * x - s * y
          a[k][j] = s * x + c * y
        }
        for (let k = 0; k < n; k++) {
          const [x, y] = [a[i][k], a[j][k]]
          a[i][k] = c * x - s * y
          a[j][k] = s * x + c * y
        }
        for (let k = 0; k < n; k++) {
          const [x, y] = [v[k][i], v[k][j]]
          v[k][i] = c * x - s * y
          v[k][j] = s * x + c * y
        }
      }
    }
  }
  return { values: a.map((row, i) => row[i]), vectors: v }
}
