import type { Vec3 } from '../values/values'
import { boxAround, sizeOfBox } from '../geometry/box'
import type { Mesh } from '../geometry/mesh'
import { PlaceIndex } from '../geometry/placeIndex'
import { welded } from '../geometry/weld'

/**
 * Numbers kept of each point: its distance from the middle; the sum of the angles of its triangles there; the length of the
 * sum of their normals weighted by those angles, and how far that sum points outward; and by how much the three would change
 * if points moved by a unit. All but the last stay the same when a flat face is cut into other triangles.
 */
export const MARKS = 5

/** Rounding of 32-bit coordinates. */
export const ROUNDING = 2 ** -23

/**
 * A mesh as a cloud of points for comparing: places that coincide are one point, coordinates are taken from the middle of all
 * points and in units of their spread, so that neither move nor size matters. What is kept of a point changes neither with a
 * turn nor with the order of vertices and triangles.
 */
export interface Cloud {
  readonly mesh: Mesh
  readonly count: number
  /** Three numbers a point. */
  readonly points: Float64Array
  /** The point of each vertex. */
  readonly pointOf: Uint32Array
  readonly middle: readonly [number, number, number]
  /** Root of the mean square distance from the middle, in metres. */
  readonly spread: number
  readonly marks: Float64Array
  /** Area, and means of the distance and of its cube: the same for the same shape. */
  readonly totals: readonly [area: number, distance: number, cube: number]
}

/** The points of a cloud, to find the one at a place: about two a cube where they lie on a surface. */
export function indexOf({ points, count }: Cloud): PlaceIndex {
  const box = boxAround(points)
  const extent = box ? Math.max(...sizeOfBox(box), 1e-9) : 1
  const side = extent / Math.max(1, Math.min(100, Math.ceil(Math.sqrt(count / 4))))
  const index = new PlaceIndex(side, { expected: count })
  for (let i = 0; i < count; i++) index.add(points[3 * i], points[3 * i + 1], points[3 * i + 2])
  return index
}

/** A point of a cloud. */
export const pointAt = (points: Float64Array, i: number): Vec3 => [points[3 * i], points[3 * i + 1], points[3 * i + 2]]

export function cloudOf(mesh: Mesh): Cloud {
  const { pointOf, count, first } = welded(mesh.positions, roundingApart(mesh.positions))
  const { positions } = mesh
  const points = new Float64Array(3 * count)
  const middle: [number, number, number] = [0, 0, 0]
  for (let i = 0; i < count; i++) for (let k = 0; k < 3; k++) middle[k] += positions[3 * first[i] + k] / count
  let square = 0
  for (let i = 0; i < count; i++) {
    for (let k = 0; k < 3; k++) {
      const d = positions[3 * first[i] + k] - middle[k]
      points[3 * i + k] = d
      square += d * d
    }
  }
  const spread = Math.sqrt(square / Math.max(count, 1)) || 1
  for (let i = 0; i < points.length; i++) points[i] /= spread
  const { marks, area } = marksOf(mesh, points, pointOf, count)
  let [distance, cube] = [0, 0]
  for (let i = 0; i < count; i++) {
    const d = marks[MARKS * i]
    distance += d / count
    cube += (d * d * d) / count
  }
  return { mesh, count, points, pointOf, middle, spread, marks, totals: [area, distance, cube] }
}

/** How far rounding alone can bring two vertices of one place apart. */
function roundingApart(positions: Float32Array): number {
  const box = boxAround(positions)
  if (!box) return 0
  const far = Math.max(...box.low.map(Math.abs), ...box.high.map(Math.abs), ...sizeOfBox(box))
  return 4 * ROUNDING * far
}

function marksOf(
  { indices }: Mesh,
  p: Float64Array,
  pointOf: Uint32Array,
  count: number,
): { marks: Float64Array; area: number } {
  const marks = new Float64Array(MARKS * count)
  const leaning = new Float64Array(3 * count)
  let all = 0
  for (let t = 0; t < indices.length; t += 3) {
    const a = pointOf[indices[t]]
    const b = pointOf[indices[t + 1]]
    const c = pointOf[indices[t + 2]]
    if (a === b || b === c || c === a) continue
    const a3 = 3 * a
    const b3 = 3 * b
    const c3 = 3 * c
    const ux = p[b3] - p[a3]
    const uy = p[b3 + 1] - p[a3 + 1]
    const uz = p[b3 + 2] - p[a3 + 2]
    const vx = p[c3] - p[a3]
    const vy = p[c3 + 1] - p[a3 + 1]
    const vz = p[c3 + 2] - p[a3 + 2]
    const x = uy * vz - uz * vy
    const y = uz * vx - ux * vz
    const z = ux * vy - uy * vx
    const double = Math.sqrt(x * x + y * y + z * z)
    if (double < 1e-14) continue
    all += double / 2
    const wx = vx - ux
    const wy = vy - uy
    const wz = vz - uz
    const u = Math.sqrt(ux * ux + uy * uy + uz * uz)
    const v = Math.sqrt(vx * vx + vy * vy + vz * vz)
    const w = Math.sqrt(wx * wx + wy * wy + wz * wz)
    const atA = Math.atan2(double, ux * vx + uy * vy + uz * vz)
    const atB = Math.atan2(double, -(ux * wx + uy * wy + uz * wz))
    const steep = (2 * Math.max(u, v, w)) / double
    for (let corner = 0; corner < 3; corner++) {
      const i = corner === 0 ? a : corner === 1 ? b : c
      const angle = corner === 0 ? atA : corner === 1 ? atB : Math.PI - atA - atB
      marks[MARKS * i + 1] += angle
      // Sides say how far an angle opens when a corner moves; heights, how far the triangle's plane leans.
      marks[MARKS * i + 4] += 2 / (corner === 2 ? v : u) + 2 / (corner === 0 ? v : w) + angle * steep
      const along = angle / double
      leaning[3 * i] += along * x
      leaning[3 * i + 1] += along * y
      leaning[3 * i + 2] += along * z
    }
  }
  for (let i = 0; i < count; i++) {
    const [x, y, z] = [p[3 * i], p[3 * i + 1], p[3 * i + 2]]
    const d = Math.sqrt(x * x + y * y + z * z)
    const [lx, ly, lz] = [leaning[3 * i], leaning[3 * i + 1], leaning[3 * i + 2]]
    marks[MARKS * i] = d
    marks[MARKS * i + 2] = Math.sqrt(lx * lx + ly * ly + lz * lz)
    marks[MARKS * i + 3] = d > 1e-9 ? (lx * x + ly * y + lz * z) / d : 0
    marks[MARKS * i + 4] += d > 1e-9 ? 1 / d : 0
  }
  return { marks, area: all }
}
