import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'

/** One coloured face of a silhouette: corners as pairs along and above, in metres; no colour means the part's own. */
export interface SilhouetteFace {
  readonly points: readonly (readonly [number, number])[]
  readonly color?: string
}

/**
 * A part as it looks from the side: for each section of its mesh the convex hull of its corners, seen square to two
 * directions. Sections lie in the order in which they must be painted.
 *
 * @param along unit vector to the right of the picture
 * @param above unit vector up the picture
 */
export function silhouetteOf(mesh: Mesh, along: Vec3, above: Vec3): SilhouetteFace[] {
  const { positions: p, indices } = mesh
  const dot = (d: Vec3, v: number): number => p[3 * v] * d[0] + p[3 * v + 1] * d[1] + p[3 * v + 2] * d[2]
  const faces = mesh.sections.map(({ start, count, color }) => {
    const points: [number, number][] = []
    for (const v of new Set(indices.subarray(start, start + count))) points.push([dot(along, v), dot(above, v)])
    return { points: hull(points), ...(color && { color }) }
  })
  const extent = (face: SilhouetteFace): number => {
    const xs = face.points.map(([x]) => x)
    const ys = face.points.map(([, y]) => y)
    return (Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys))
  }
  return faces.filter((face) => face.points.length > 2).sort((a, b) => extent(b) - extent(a))
}

/** The convex hull of points, counter-clockwise (Andrew's monotone chain, 1979). */
function hull(points: [number, number][]): [number, number][] {
  points.sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const turn = (o: [number, number], a: [number, number], b: [number, number]): number =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])
  const chain = (list: [number, number][]): [number, number][] => {
    const out: [number, number][] = []
    for (const point of list) {
      while (out.length > 1 && turn(out[out.length - 2], out[out.length - 1], point) <= 0) out.pop()
      out.push(point)
    }
    return out.slice(0, -1)
  }
  return [...chain(points), ...chain([...points].reverse())]
}
