import earcut from 'earcut'

/** The most corners that one face may have: taking it apart costs more than in proportion to them. */
export const MAX_CORNERS = 20_000

/**
 * The triangles of a flat polygon, concave ones included, as indices into its corners.
 *
 * @param corners three numbers a corner, in order round the polygon
 */
export function triangulate(corners: readonly number[]): readonly number[] {
  const count = corners.length / 3
  if (count < 3) return []
  if (count === 3) return [0, 1, 2]
  // Newell's normal: robust for corners that are not quite in one plane.
  const n = [0, 0, 0]
  for (let i = 0, j = count - 1; i < count; j = i++) {
    const [ax, ay, az] = corners.slice(3 * j, 3 * j + 3)
    const [bx, by, bz] = corners.slice(3 * i, 3 * i + 3)
    n[0] += (ay - by) * (az + bz)
    n[1] += (az - bz) * (ax + bx)
    n[2] += (ax - bx) * (ay + by)
  }
  const drop = [0, 1, 2].reduce((most, i) => (Math.abs(n[i]) > Math.abs(n[most]) ? i : most), 0)
  const [u, v] = n[drop] > 0 ? [(drop + 1) % 3, (drop + 2) % 3] : [(drop + 2) % 3, (drop + 1) % 3]
  const flat: number[] = []
  for (let i = 0; i < count; i++) flat.push(corners[3 * i + u], corners[3 * i + v])
  const found = earcut(flat)
  // Earcut may wind either way: turn its triangles to the polygon's own sense.
  for (let t = 0; t < found.length; t += 3) {
    const [a, b, c] = [found[t], found[t + 1], found[t + 2]]
    const area =
      (flat[2 * b] - flat[2 * a]) * (flat[2 * c + 1] - flat[2 * a + 1]) -
      (flat[2 * c] - flat[2 * a]) * (flat[2 * b + 1] - flat[2 * a + 1])
    if (area < 0) [found[t + 1], found[t + 2]] = [c, b]
  }
  return found
}
