import { Vector3 } from 'three'
import { ConvexHull } from 'three/addons/math/ConvexHull.js'

/** More points than this are brought down to the corners of their hull. */
const FEW_POINTS = 16

/**
 * The corners of the convex hull of points (quickhull, Barber et al. 1996, as three has it); all points where they are few,
 * or lie in one plane.
 *
 * @param positions three numbers a point
 * @returns three numbers a corner
 */
export function hullCorners(positions: ArrayLike<number>): number[] {
  const seen = new Map<string, Vector3>()
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = [positions[i], positions[i + 1], positions[i + 2]]
    seen.set(`${x} ${y} ${z}`, new Vector3(x, y, z))
  }
  const points = [...seen.values()]
  const flat = (list: Iterable<Vector3>): number[] => [...list].flatMap((p) => [p.x, p.y, p.z])
  if (points.length <= FEW_POINTS || liesFlat(points)) return flat(points)
  const corners = new Set<Vector3>()
  for (const face of new ConvexHull().setFromPoints(points).faces) {
    let edge = face.edge
    do {
      corners.add(edge.head().point)
      edge = edge.next
    } while (edge !== face.edge)
  }
  return flat(corners)
}

/**
 * The volume of the convex hull of points; 0 where they lie in one plane.
 *
 * @param positions three numbers a point
 */
export function hullVolume(positions: ArrayLike<number>): number {
  const points = Array.from(
    { length: positions.length / 3 },
    (_, i) => new Vector3(positions[3 * i], positions[3 * i + 1], positions[3 * i + 2]),
  )
  if (points.length < 4 || liesFlat(points)) return 0
  let six = 0
  for (const { edge } of new ConvexHull().setFromPoints(points).faces) {
    const first = edge.head().point
    for (let at = edge.next; at.next !== edge; at = at.next)
      six += first.dot(at.head().point.clone().cross(at.next.head().point))
  }
  return Math.abs(six) / 6
}

/** Whether points lie in one plane or on one line, to within rounding of their extent. */
function liesFlat(points: readonly Vector3[]): boolean {
  const [first] = points
  const far = points.reduce((a, b) => (b.distanceToSquared(first) > a.distanceToSquared(first) ? b : a))
  const along = far.clone().sub(first)
  const extent = along.length()
  if (extent < 1e-15) return true
  const aside = points
    .map((p) => p.clone().sub(first).cross(along))
    .reduce((a, b) => (b.lengthSq() > a.lengthSq() ? b : a))
  if (aside.length() < 1e-9 * extent * extent) return true
  const normal = aside.normalize()
  return points.every((p) => Math.abs(p.clone().sub(first).dot(normal)) < 1e-9 * extent)
}
