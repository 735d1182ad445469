import type { Mesh } from './mesh'
import { volumeOf } from './mesh'
import { welded } from './weld'

/** How the surface of a mesh hangs together, its vertices at one place taken as one. */
export interface Surface {
  /** Edges that only one face has: the surface ends there. */
  readonly open: number
  /** Edges that three faces or more share, or two that wind against each other. */
  readonly wrong: number
  /** Faces without an area: two of their corners are at one place, or all three on one line. */
  readonly flat: number
  /** Corners − edges + faces (Euler characteristic): 2 for what is closed and has no hole through it. */
  readonly euler: number
  /** What it encloses, in cubic metres; below 0 where its faces look inward. Tells something only of a closed one. */
  readonly volume: number
}

/** Of a mesh's extent so much apart two places are one: half of what 32-bit coordinates tell apart, and a little. */
const APART = 1e-6

/**
 * Counts what of a mesh's surface is open, wound wrongly or without an area.
 *
 * @param mesh positions in any unit
 */
export function surfaceOf(mesh: Mesh): Surface {
  const { positions: p, indices } = mesh
  let extent = 0
  for (const n of p) extent = Math.max(extent, Math.abs(n))
  const { pointOf, first } = welded(p, extent * APART)
  let flat = 0
  const corners = new Set<number>()
  // Of each edge, by its points in order: how many faces run along it and how many against it.
  const edges = new Map<number, { along: number; against: number }>()
  const points = first.length
  let faces = 0
  for (let t = 0; t < indices.length; t += 3) {
    const face = [pointOf[indices[t]], pointOf[indices[t + 1]], pointOf[indices[t + 2]]]
    const [a, b, c] = face
    if (a === b || b === c || c === a) {
      flat++
      continue
    }
    if (isThin(p, first[a], first[b], first[c])) flat++
    faces++
    for (let i = 0; i < 3; i++) {
      const [from, to] = [face[i], face[(i + 1) % 3]]
      corners.add(from)
      const key = Math.min(from, to) * points + Math.max(from, to)
      const edge = edges.get(key) ?? { along: 0, against: 0 }
      edges.set(key, edge)
      if (from < to) edge.along++
      else edge.against++
    }
  }
  let [open, wrong] = [0, 0]
  for (const { along, against } of edges.values()) {
    if (along + against === 1) open++
    else if (along !== 1 || against !== 1) wrong++
  }
  return { open, wrong, flat, euler: corners.size - edges.size + faces, volume: volumeOf(mesh) }
}

/** Whether three places lie on one line, to within 32 bits of how far apart they are. */
function isThin(p: Float32Array, a: number, b: number, c: number): boolean {
  const [ux, uy, uz] = [p[3 * b] - p[3 * a], p[3 * b + 1] - p[3 * a + 1], p[3 * b + 2] - p[3 * a + 2]]
  const [vx, vy, vz] = [p[3 * c] - p[3 * a], p[3 * c + 1] - p[3 * a + 1], p[3 * c + 2] - p[3 * a + 2]]
  const area = Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)
  return area <= 1e-7 * Math.max(ux * ux + uy * uy + uz * uz, vx * vx + vy * vy + vz * vz)
}
