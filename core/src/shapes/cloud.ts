import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'

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

/** A point of a cloud. */
export const pointAt = (points: Float64Array, i: number): Vec3 => [points[3 * i], points[3 * i + 1], points[3 * i + 2]]

export function cloudOf(mesh: Mesh): Cloud {
  const { pointOf, count, first } = weld(mesh.positions)
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

/**
 * Vertices at one place as one point. Places that rounding alone can tell apart count as one: cubes of a thousandth of the
 * whole are looked up by hash, the neighbouring ones too where a place lies at the side of its own.
 */
function weld(positions: Float32Array): { pointOf: Uint32Array; count: number; first: Uint32Array } {
  const vertices = positions.length / 3
  const low = [Infinity, Infinity, Infinity]
  let [extent, far] = [0, 0]
  for (let i = 0; i < positions.length; i++) low[i % 3] = Math.min(low[i % 3], positions[i])
  for (let i = 0; i < positions.length; i++) {
    extent = Math.max(extent, positions[i] - low[i % 3])
    far = Math.max(far, Math.abs(positions[i]))
  }
  const apart = 4 * ROUNDING * Math.max(far, extent)
  const side = Math.max(extent / 1000, 4 * apart, 1e-30)
  const apartSquared = apart * apart
  let room = 16
  while (room < 2 * vertices) room *= 2
  const heads = new Int32Array(room).fill(-1)
  const next = new Int32Array(vertices)
  const pointOf = new Uint32Array(vertices)
  const first = new Uint32Array(vertices)
  let count = 0
  const bucket = (i: number, j: number, k: number): number => {
    const h = Math.imul(i, 0x9e3779b1) ^ Math.imul(j, 0x85ebca6b) ^ Math.imul(k, 0xc2b2ae35)
    return (h ^ (h >>> 15)) & (room - 1)
  }
  const search = (at: number, x: number, y: number, z: number): number => {
    for (let n = heads[at]; n >= 0; n = next[n]) {
      const w = 3 * first[n]
      const [dx, dy, dz] = [positions[w] - x, positions[w + 1] - y, positions[w + 2] - z]
      if (dx * dx + dy * dy + dz * dz <= apartSquared) return n
    }
    return -1
  }
  for (let v = 0; v < vertices; v++) {
    const [x, y, z] = [positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]]
    const [i, j, k] = [
      Math.floor((x - low[0]) / side),
      Math.floor((y - low[1]) / side),
      Math.floor((z - low[2]) / side),
    ]
    const own = bucket(i, j, k)
    let point = search(own, x, y, z)
    if (point < 0) {
      const [i0, i1] = [Math.floor((x - apart - low[0]) / side), Math.floor((x + apart - low[0]) / side)]
      const [j0, j1] = [Math.floor((y - apart - low[1]) / side), Math.floor((y + apart - low[1]) / side)]
      const [k0, k1] = [Math.floor((z - apart - low[2]) / side), Math.floor((z + apart - low[2]) / side)]
      if (i0 !== i1 || j0 !== j1 || k0 !== k1)
        for (let a = i0; a <= i1 && point < 0; a++)
          for (let b = j0; b <= j1 && point < 0; b++)
            for (let c = k0; c <= k1 && point < 0; c++) point = search(bucket(a, b, c), x, y, z)
    }
    if (point < 0) {
      point = count++
      first[point] = v
      next[point] = heads[own]
      heads[own] = point
    }
    pointOf[v] = point
  }
  return { pointOf, count, first }
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
    const [a3, b3, c3] = [3 * a, 3 * b, 3 * c]
    const [ux, uy, uz] = [p[b3] - p[a3], p[b3 + 1] - p[a3 + 1], p[b3 + 2] - p[a3 + 2]]
    const [vx, vy, vz] = [p[c3] - p[a3], p[c3 + 1] - p[a3 + 1], p[c3 + 2] - p[a3 + 2]]
    const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const double = Math.sqrt(x * x + y * y + z * z)
    if (double < 1e-14) continue
    all += double / 2
    const [wx, wy, wz] = [vx - ux, vy - uy, vz - uz]
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
      leaning[3 * i] += (angle * x) / double
      leaning[3 * i + 1] += (angle * y) / double
      leaning[3 * i + 2] += (angle * z) / double
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
