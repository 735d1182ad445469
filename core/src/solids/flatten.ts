import type { Contour, Segment } from '../curves/segment'
import type { Vec3 } from '../values/values'

/** The largest angle, in radians, through which a curve turns between two points that stand for it. */
const FINEST = Math.PI / 24
const PROBES = 32
const MOST = 2000

/** Points that stand for a contour: the ends of straight pieces, and bends in steps of 7.5° or less. A closed one does not repeat its first point. */
export function pointsAlong({ segments, closed }: Contour): Vec3[] {
  const points: Vec3[] = [segments[0].point(0)]
  for (const segment of segments) {
    const steps = stepsFor(segment)
    for (let i = 1; i <= steps; i++) points.push(segment.point(i / steps))
  }
  const apart = (a: Vec3, b: Vec3): boolean => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) > 1e-9
  const distinct = points.filter((p, i) => i === 0 || apart(p, points[i - 1]))
  if (closed && distinct.length > 1 && !apart(distinct[0], distinct[distinct.length - 1])) distinct.pop()
  return distinct
}

function stepsFor(segment: Segment): number {
  let turned = 0
  let before: Vec3 | undefined
  for (let i = 0; i <= PROBES; i++) {
    const v = segment.velocity(i / PROBES)
    const n = Math.hypot(...v)
    if (n < 1e-12) continue
    const way: Vec3 = [v[0] / n, v[1] / n, v[2] / n]
    if (before)
      turned += Math.acos(Math.min(1, Math.max(-1, way[0] * before[0] + way[1] * before[1] + way[2] * before[2])))
    before = way
  }
  // Probes miss what turns more than half a circle between two of them: a helix of many turns is counted by its length too.
  const length = segment.speed(0.5)
  const chord = Math.hypot(...segment.point(1).map((n, i) => n - segment.point(0)[i]))
  const wound = length > 3 * chord ? PROBES * 4 : 0
  return Math.min(MOST, Math.max(1, Math.ceil(turned / FINEST), wound))
}
