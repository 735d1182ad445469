import type { Bodies } from './bodies'
import { closestOnSimplex } from './simplex'

/** How two bodies stand to each other; reused, so read it before the next one is asked for. */
export interface Gap {
  /** The free distance between them; below 0 by how far one would have to move to be free. */
  gap: number
  /** From the first to the second, the way in which moving that much frees them; of unit length. */
  x: number
  y: number
  z: number
}

/** Tells gaps between bodies, by their outlines or by what they are; both sized by a factor about their pivots. */
export interface Gaps {
  between(i: number, j: number, factor?: number): number
  /** Whether two keep a clearance: sooner known than by how much. */
  areClear(i: number, j: number, clearance: number, factor?: number): boolean
}

export const outlineGaps = (bodies: Bodies): Gaps => ({
  between: (i, j, factor) => gapOf(bodies, i, j, factor).gap,
  areClear: (i, j, clearance, factor) => gapOf(bodies, i, j, factor).gap >= clearance,
})

const result: Gap = { gap: 0, x: 0, y: 1, z: 0 }
/** Corners of the simplex in the Minkowski difference, three numbers each. */
const simplex = new Float64Array(12)
const a = new Float64Array(3)
const b = new Float64Array(3)

const MOST_STEPS = 64
/** Distances are exact to this share of the bodies' size. */
const EXACT = 1e-9
/** Nearer than the root of this part of their size, it is asked how deep one is in the other. */
const TOUCHING = 1e-18

/**
 * The gap between two convex bodies: the distance of the origin from their Minkowski difference (Gilbert, Johnson & Keerthi,
 * IEEE J. Robotics and Automation 4, 1988), and where they overlap the least move that frees them (van den Bergen, GDC 2001).
 *
 * @param factor sizes both bodies about their pivots besides
 */
export function gapOf(bodies: Bodies, i: number, j: number, factor = 1): Gap {
  if (bodies.ball[i] && bodies.ball[j]) return gapOfBalls(bodies, i, j, factor)
  const scale = bodies.radius[i] + bodies.radius[j]
  const { position: p, middle: m } = bodies
  let vx = p[3 * i] + factor * m[3 * i] - p[3 * j] - factor * m[3 * j]
  let vy = p[3 * i + 1] + factor * m[3 * i + 1] - p[3 * j + 1] - factor * m[3 * j + 1]
  let vz = p[3 * i + 2] + factor * m[3 * i + 2] - p[3 * j + 2] - factor * m[3 * j + 2]
  if (vx * vx + vy * vy + vz * vz < 1e-24 * scale * scale) [vx, vy, vz] = [scale, 0, 0]
  const near = walk(bodies, i, j, factor, scale, vx, vy, vz)
  // Flat simplices may pass for one that holds the origin. A plane with all on its far side then shows that none does, and the
  // walk begins anew from there; should that end so again, the plane is as near as is known.
  if (near.gap <= 0 || !beyond) return near
  const { gap, x, y, z } = near
  return walk(bodies, i, j, factor, scale, -gap * x, -gap * y, -gap * z)
}

/** Set where a walk ended in an overlap that was none: at a plane between the two. */
let beyond = false

/** Walks from a point towards the origin over the Minkowski difference, until it is as near as it comes, or around it. */
function walk(
  bodies: Bodies,
  i: number,
  j: number,
  factor: number,
  scale: number,
  vx: number,
  vy: number,
  vz: number,
): Gap {
  beyond = false
  let count = 0
  for (let step = 0; step < MOST_STEPS; step++) {
    difference(bodies, i, j, -vx, -vy, -vz, simplex, 3 * count, factor)
    const square = vx * vx + vy * vy + vz * vz
    const along = vx * simplex[3 * count] + vy * simplex[3 * count + 1] + vz * simplex[3 * count + 2]
    if (count > 0 && (square - along <= EXACT * square || isKnown(count))) return apart(vx, vy, vz)
    count = closestOnSimplex(simplex, count + 1, closest)
    // Where digits run out the walk comes no nearer: near touching it would go round in a circle.
    const next = closest[0] * closest[0] + closest[1] * closest[1] + closest[2] * closest[2]
    if (step > 0 && count < 4 && next >= square)
      return square > TOUCHING * scale * scale ? apart(vx, vy, vz) : overlap(bodies, i, j, count, factor, scale)
    vx = closest[0]
    vy = closest[1]
    vz = closest[2]
    if (count === 4 || vx * vx + vy * vy + vz * vz <= 1e-20 * scale * scale)
      return overlap(bodies, i, j, count, factor, scale)
  }
  return apart(vx, vy, vz)
}

const closest = new Float64Array(3)

/** Whether the corner that came last is one of those before it: nothing lies farther on, and the walk is at its end. */
function isKnown(count: number): boolean {
  const [x, y, z] = [simplex[3 * count], simplex[3 * count + 1], simplex[3 * count + 2]]
  for (let i = 0; i < 3 * count; i += 3)
    if (simplex[i] === x && simplex[i + 1] === y && simplex[i + 2] === z) return true
  return false
}

function gapOfBalls(bodies: Bodies, i: number, j: number, factor: number): Gap {
  const { position: p, middle: m, radius } = bodies
  const x = p[3 * j] + factor * m[3 * j] - p[3 * i] - factor * m[3 * i]
  const y = p[3 * j + 1] + factor * m[3 * j + 1] - p[3 * i + 1] - factor * m[3 * i + 1]
  const z = p[3 * j + 2] + factor * m[3 * j + 2] - p[3 * i + 2] - factor * m[3 * i + 2]
  const distance = Math.sqrt(x * x + y * y + z * z)
  result.gap = distance - factor * (radius[i] + radius[j])
  // So near each other the squares run out of digits, and a direction would not be of unit length.
  const by = distance > 1e-140 ? 1 / distance : 0
  result.x = x * by
  result.y = y * by
  result.z = z * by
  return result
}

function apart(vx: number, vy: number, vz: number): Gap {
  const distance = Math.sqrt(vx * vx + vy * vy + vz * vz)
  result.gap = distance
  result.x = -vx / distance
  result.y = -vy / distance
  result.z = -vz / distance
  return result
}

/** Farthest of the first along a direction less farthest of the second against it. */
function difference(
  bodies: Bodies,
  i: number,
  j: number,
  dx: number,
  dy: number,
  dz: number,
  out: Float64Array,
  at: number,
  factor: number,
): void {
  bodies.support(i, dx, dy, dz, a, 0, factor)
  bodies.support(j, -dx, -dy, -dz, b, 0, factor)
  for (let k = 0; k < 3; k++) out[at + k] = a[k] - b[k]
}

/** Room for the polytope that grows towards the nearest face. */
const MOST_POINTS = 96
const points = new Float64Array(3 * MOST_POINTS)
const MOST_FACES = 4 * MOST_POINTS
const faces = new Int32Array(3 * MOST_FACES)
const planes = new Float64Array(4 * MOST_FACES)

/** The nearest face of the Minkowski difference, by a polytope inside of it that grows where the origin is nearest. */
function overlap(bodies: Bodies, i: number, j: number, count: number, factor: number, scale: number): Gap {
  points.set(simplex.subarray(0, 3 * count))
  if (!toTetrahedron(bodies, i, j, count, factor, scale)) return flat(bodies, i, j)
  let faceCount = 0
  const add = (p: number, q: number, r: number): void => {
    if (faceCount >= MOST_FACES) return
    const [ux, uy, uz] = [0, 1, 2].map((k) => points[3 * q + k] - points[3 * p + k])
    const [wx, wy, wz] = [0, 1, 2].map((k) => points[3 * r + k] - points[3 * p + k])
    let [nx, ny, nz] = [uy * wz - uz * wy, uz * wx - ux * wz, ux * wy - uy * wx]
    const length = Math.sqrt(nx * nx + ny * ny + nz * nz)
    if (length < 1e-18 * scale * scale) return
    ;[nx, ny, nz] = [nx / length, ny / length, nz / length]
    const f = faceCount++
    faces[3 * f] = p
    faces[3 * f + 1] = q
    faces[3 * f + 2] = r
    planes[4 * f] = nx
    planes[4 * f + 1] = ny
    planes[4 * f + 2] = nz
    planes[4 * f + 3] = nx * points[3 * p] + ny * points[3 * p + 1] + nz * points[3 * p + 2]
  }
  // Counter-clockwise from outside.
  const volume = orientation(0, 1, 2, 3)
  for (const [p, q, r] of volume > 0
    ? [
        [0, 2, 1],
        [0, 1, 3],
        [1, 2, 3],
        [0, 3, 2],
      ]
    : [
        [0, 1, 2],
        [0, 3, 1],
        [1, 3, 2],
        [0, 2, 3],
      ])
    add(p, q, r)
  let used = 4
  for (;;) {
    let nearest = 0
    for (let f = 1; f < faceCount; f++) if (planes[4 * f + 3] < planes[4 * nearest + 3]) nearest = f
    const [nx, ny, nz, distance] = planes.subarray(4 * nearest, 4 * nearest + 4)
    difference(bodies, i, j, nx, ny, nz, points, 3 * used, factor)
    const reach = nx * points[3 * used] + ny * points[3 * used + 1] + nz * points[3 * used + 2]
    if (reach - distance <= 1e-9 * scale || used + 1 >= MOST_POINTS || faceCount === 0) {
      beyond = reach < 0
      result.gap = -reach
      result.x = nx
      result.y = ny
      result.z = nz
      return result
    }
    const horizon = new Map<number, number>()
    const edge = (p: number, q: number): void => {
      if (!horizon.delete(q * MOST_POINTS + p)) horizon.set(p * MOST_POINTS + q, 1)
    }
    for (let f = faceCount - 1; f >= 0; f--) {
      const sees =
        planes[4 * f] * points[3 * used] +
          planes[4 * f + 1] * points[3 * used + 1] +
          planes[4 * f + 2] * points[3 * used + 2] -
          planes[4 * f + 3] >
        1e-12 * scale
      if (!sees) continue
      const [p, q, r] = faces.subarray(3 * f, 3 * f + 3)
      edge(p, q)
      edge(q, r)
      edge(r, p)
      faceCount--
      faces.copyWithin(3 * f, 3 * faceCount, 3 * faceCount + 3)
      planes.copyWithin(4 * f, 4 * faceCount, 4 * faceCount + 4)
    }
    for (const key of horizon.keys()) add(Math.floor(key / MOST_POINTS), key % MOST_POINTS, used)
    used++
  }
}

/** Six times the volume of a tetrahedron of four points, above 0 where the first three run counter-clockwise seen from the fourth. */
function orientation(p: number, q: number, r: number, s: number): number {
  const way = (k: number): number[] => [0, 1, 2].map((c) => points[3 * k + c] - points[3 * p + c])
  const [u, v, w] = [way(q), way(r), way(s)]
  return u[0] * (v[1] * w[2] - v[2] * w[1]) - u[1] * (v[0] * w[2] - v[2] * w[0]) + u[2] * (v[0] * w[1] - v[1] * w[0])
}

const ways = [1, 0, 0, -1, 0, 0, 0, 1, 0, 0, -1, 0, 0, 0, 1, 0, 0, -1, 1, 1, 1, -1, -1, -1, 1, -1, 1, -1, 1, -1]

/** Adds points until four span a room; false where everything lies in one plane. */
function toTetrahedron(bodies: Bodies, i: number, j: number, count: number, factor: number, scale: number): boolean {
  let have = count
  const apartFrom = (k: number): boolean => {
    const way = (p: number, q: number): number[] => [0, 1, 2].map((c) => points[3 * q + c] - points[3 * p + c])
    if (k === 0) return true
    const u = way(0, 1)
    if (k === 1) return Math.hypot(...u) > 1e-9 * scale
    const v = way(0, 2)
    const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
    if (k === 2) return Math.hypot(...n) > 1e-9 * scale * scale
    return Math.abs(orientation(0, 1, 2, 3)) > 1e-9 * scale ** 3
  }
  while (have > 1 && !apartFrom(have - 1)) have--
  for (let w = 0; w < ways.length && have < 4; w += 3) {
    difference(bodies, i, j, ways[w], ways[w + 1], ways[w + 2], points, 3 * have, factor)
    if (apartFrom(have)) have++
  }
  return have === 4
}

/** Bodies without thickness that lie in one plane touch and no more. */
function flat({ position: p }: Bodies, i: number, j: number): Gap {
  const way = [0, 1, 2].map((k) => p[3 * j + k] - p[3 * i + k])
  const length = Math.hypot(...way)
  result.gap = 0
  result.x = length > 0 ? way[0] / length : 1
  result.y = length > 0 ? way[1] / length : 0
  result.z = length > 0 ? way[2] / length : 0
  return result
}
