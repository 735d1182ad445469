import type { Bodies } from './bodies'
import { difference } from './difference'
import type { Gap } from './gap'

/** Two bodies that overlap, as the loops below ask for them. */
interface Pair {
  readonly bodies: Bodies
  readonly i: number
  readonly j: number
  /** Sizes both about their pivots besides. */
  readonly factor: number
  /** About how large they are together, in metres: what is nothing against it is nothing. */
  readonly scale: number
}

// Room for the polytope that grows towards the nearest face: points x, y, z; faces as three of them, counter-clockwise from outside;
// their planes as unit normal and distance from the origin; edges of the hole that a new point makes, from one point to another.
const MOST_POINTS = 96
const MOST_FACES = 4 * MOST_POINTS
const points = new Float64Array(3 * MOST_POINTS)
const faces = new Int32Array(3 * MOST_FACES)
const planes = new Float64Array(4 * MOST_FACES)
const rim = new Int32Array(6 * MOST_FACES)
let faceCount = 0
let rimCount = 0

/** The faces of a tetrahedron, counter-clockwise from outside where its volume is above 0; below, the other way round. */
const UPRIGHT = [0, 2, 1, 0, 1, 3, 1, 2, 3, 0, 3, 2]
const TURNED = [0, 1, 2, 0, 3, 1, 1, 3, 2, 0, 2, 3]

/**
 * By how much two overlapping bodies lie in each other, and the way in which that frees them: the face of their Minkowski difference
 * that is nearest to the origin, by a polytope inside of it that grows where the origin is nearest (van den Bergen, GDC 2001).
 *
 * Nothing is allocated: heaps ask this for each of their pairs, round after round. A map of the hole's edges and a closure to add
 * faces took five times as long.
 *
 * @param simplex points of the difference from which it begins, three numbers each
 * @param out becomes the gap, below 0 by the depth
 * @returns whether the nearest plane shows that they do not overlap: everything lies on its far side
 */
export function depthFrom(simplex: Float64Array, count: number, pair: Pair, out: Gap): boolean {
  for (let k = 0; k < 3 * count; k++) points[k] = simplex[k]
  if (!spanned(pair, count)) return flat(pair, out)
  const { bodies, i, j, factor, scale } = pair
  faceCount = 0
  const corners = volumeOf(0, 1, 2, 3) > 0 ? UPRIGHT : TURNED
  for (let k = 0; k < 12; k += 3) addFace(corners[k], corners[k + 1], corners[k + 2], scale)
  for (let used = 4; ; used++) {
    let nearest = 0
    for (let f = 1; f < faceCount; f++) if (planes[4 * f + 3] < planes[4 * nearest + 3]) nearest = f
    const nx = planes[4 * nearest]
    const ny = planes[4 * nearest + 1]
    const nz = planes[4 * nearest + 2]
    const distance = planes[4 * nearest + 3]
    difference(bodies, i, j, nx, ny, nz, points, 3 * used, factor)
    const reach = nx * points[3 * used] + ny * points[3 * used + 1] + nz * points[3 * used + 2]
    const isNearest = reach - distance <= 1e-9 * scale
    if (isNearest || used + 1 >= MOST_POINTS || faceCount === 0) {
      out.gap = -reach
      out.x = nx
      out.y = ny
      out.z = nz
      // Round bodies deep in each other have no end of faces, all of them about as near.
      if (!isNearest) alongMiddles(pair, used, out)
      return out.gap > 0
    }
    takeAwaySeen(used, scale)
    for (let e = 0; e < rimCount; e++) addFace(rim[2 * e], rim[2 * e + 1], used, scale)
  }
}

/** Takes the way from middle to middle where it frees two bodies sooner than what was found. */
function alongMiddles({ bodies, i, j, factor, scale }: Pair, used: number, out: Gap): void {
  const { position, middle } = bodies
  let x = position[3 * j] + factor * middle[3 * j] - position[3 * i] - factor * middle[3 * i]
  let y = position[3 * j + 1] + factor * middle[3 * j + 1] - position[3 * i + 1] - factor * middle[3 * i + 1]
  let z = position[3 * j + 2] + factor * middle[3 * j + 2] - position[3 * i + 2] - factor * middle[3 * i + 2]
  const length = Math.sqrt(x * x + y * y + z * z)
  if (!(length > 1e-12 * scale)) return
  x /= length
  y /= length
  z /= length
  difference(bodies, i, j, x, y, z, points, 3 * used, factor)
  const reach = x * points[3 * used] + y * points[3 * used + 1] + z * points[3 * used + 2]
  if (!(-reach > out.gap)) return
  out.gap = -reach
  out.x = x
  out.y = y
  out.z = z
}

/** Adds the face of three points, unless it is no face at all. */
function addFace(p: number, q: number, r: number, scale: number): void {
  if (faceCount >= MOST_FACES) return
  const x = points[3 * p]
  const y = points[3 * p + 1]
  const z = points[3 * p + 2]
  const ux = points[3 * q] - x
  const uy = points[3 * q + 1] - y
  const uz = points[3 * q + 2] - z
  const wx = points[3 * r] - x
  const wy = points[3 * r + 1] - y
  const wz = points[3 * r + 2] - z
  const cx = uy * wz - uz * wy
  const cy = uz * wx - ux * wz
  const cz = ux * wy - uy * wx
  const length = Math.sqrt(cx * cx + cy * cy + cz * cz)
  if (length < 1e-18 * scale * scale) return
  const f = faceCount++
  faces[3 * f] = p
  faces[3 * f + 1] = q
  faces[3 * f + 2] = r
  const nx = cx / length
  const ny = cy / length
  const nz = cz / length
  planes[4 * f] = nx
  planes[4 * f + 1] = ny
  planes[4 * f + 2] = nz
  planes[4 * f + 3] = nx * x + ny * y + nz * z
}

/** Takes the faces away that a point sees from outside, and leaves the edges of the hole in `rim`. */
function takeAwaySeen(point: number, scale: number): void {
  const x = points[3 * point]
  const y = points[3 * point + 1]
  const z = points[3 * point + 2]
  rimCount = 0
  for (let f = faceCount - 1; f >= 0; f--) {
    const over = planes[4 * f] * x + planes[4 * f + 1] * y + planes[4 * f + 2] * z - planes[4 * f + 3]
    if (!(over > 1e-12 * scale)) continue
    const p = faces[3 * f]
    const q = faces[3 * f + 1]
    const r = faces[3 * f + 2]
    addEdge(p, q)
    addEdge(q, r)
    addEdge(r, p)
    faceCount--
    faces.copyWithin(3 * f, 3 * faceCount, 3 * faceCount + 3)
    planes.copyWithin(4 * f, 4 * faceCount, 4 * faceCount + 4)
  }
}

/** An edge between two faces that both go is no edge of the hole. */
function addEdge(p: number, q: number): void {
  for (let e = 0; e < rimCount; e++) {
    if (rim[2 * e] !== q || rim[2 * e + 1] !== p) continue
    rimCount--
    rim.copyWithin(2 * e, 2 * e + 2, 2 * rimCount + 2)
    return
  }
  rim[2 * rimCount] = p
  rim[2 * rimCount + 1] = q
  rimCount++
}

/** Six times the volume of a tetrahedron of four points, above 0 where the first three run counter-clockwise seen from the fourth. */
function volumeOf(p: number, q: number, r: number, s: number): number {
  const x = points[3 * p]
  const y = points[3 * p + 1]
  const z = points[3 * p + 2]
  const ux = points[3 * q] - x
  const uy = points[3 * q + 1] - y
  const uz = points[3 * q + 2] - z
  const vx = points[3 * r] - x
  const vy = points[3 * r + 1] - y
  const vz = points[3 * r + 2] - z
  const wx = points[3 * s] - x
  const wy = points[3 * s + 1] - y
  const wz = points[3 * s + 2] - z
  return ux * (vy * wz - vz * wy) - uy * (vx * wz - vz * wx) + uz * (vx * wy - vy * wx)
}

/** Directions in which points are looked for that do not lie with those there are. */
const WAYS = [1, 0, 0, -1, 0, 0, 0, 1, 0, 0, -1, 0, 0, 0, 1, 0, 0, -1, 1, 1, 1, -1, -1, -1, 1, -1, 1, -1, 1, -1]

/** Adds points until four span a room; false where everything lies in one plane. */
function spanned({ bodies, i, j, factor, scale }: Pair, count: number): boolean {
  let have = count
  while (have > 1 && !isApart(have - 1, scale)) have--
  for (let w = 0; w < WAYS.length && have < 4; w += 3) {
    difference(bodies, i, j, WAYS[w], WAYS[w + 1], WAYS[w + 2], points, 3 * have, factor)
    if (isApart(have, scale)) have++
  }
  return have === 4
}

/** Whether a point lies apart from the one before it, from the line through the two before, from the plane through the three. */
function isApart(k: number, scale: number): boolean {
  if (k === 0) return true
  if (k === 3) return Math.abs(volumeOf(0, 1, 2, 3)) > 1e-9 * scale * scale * scale
  const ux = points[3] - points[0]
  const uy = points[4] - points[1]
  const uz = points[5] - points[2]
  if (k === 1) return Math.sqrt(ux * ux + uy * uy + uz * uz) > 1e-9 * scale
  const vx = points[6] - points[0]
  const vy = points[7] - points[1]
  const vz = points[8] - points[2]
  const cx = uy * vz - uz * vy
  const cy = uz * vx - ux * vz
  const cz = ux * vy - uy * vx
  return Math.sqrt(cx * cx + cy * cy + cz * cz) > 1e-9 * scale * scale
}

/** Bodies without thickness that lie in one plane touch and no more. */
function flat({ bodies: { position: p }, i, j }: Pair, out: Gap): boolean {
  const x = p[3 * j] - p[3 * i]
  const y = p[3 * j + 1] - p[3 * i + 1]
  const z = p[3 * j + 2] - p[3 * i + 2]
  const length = Math.hypot(x, y, z)
  out.gap = 0
  out.x = length > 0 ? x / length : 1
  out.y = length > 0 ? y / length : 0
  out.z = length > 0 ? z / length : 0
  return false
}
