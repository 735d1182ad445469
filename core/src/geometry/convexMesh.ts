import type { Mesh } from './mesh'

/** Meshes of more faces times vertices are taken not to be convex: looking would take longer than what it saves. */
const MOST = 8_000_000
/** So much of the extent a vertex may stand out of a face: 32-bit coordinates. */
const OUT = 1e-6

/** Whether no vertex of a mesh lies in front of any of its faces, so that it is its own convex hull. */
export function isConvex({ positions: p, indices }: Mesh): boolean {
  if (indices.length === 0 || (indices.length / 3) * (p.length / 3) > MOST) return false
  let extent = 0
  for (const n of p) extent = Math.max(extent, Math.abs(n))
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = Math.hypot(nx, ny, nz)
    // A face without an area has no front.
    if (length < 1e-9 * extent * extent) continue
    const most = nx * p[a] + ny * p[a + 1] + nz * p[a + 2] + OUT * extent * length
    for (let v = 0; v < p.length; v += 3) if (nx * p[v] + ny * p[v + 1] + nz * p[v + 2] > most) return false
  }
  return true
}
