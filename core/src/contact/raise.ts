import type { Bodies } from '../clearing/bodies'
import { closestOnSimplex } from '../clearing/simplex'
import { goldenSection } from '../geometry/goldenSection'

const MOST_STEPS = 96
/** Nearer than this part of their size they touch. */
const TOUCHING = 1e-13
/** Corners of the triangle that a plane meets so nearly alike, in parts of its size, it rests on. */
const ALIKE = 1e-5
/** A direction is refined from so wide about it, in parts of its length, and down to so small a part of that. */
const [FIRST_STEP, LAST_STEP] = [1e-3, 1e-7]
const SECTIONS = 48
const SIDES = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const

const simplex = new Float64Array(12)
const closest = new Float64Array(3)
const lowest = new Float64Array(3)

/**
 * How far a body has to be raised (lowered, below 0) until it just touches a triangle from above. Every plane that looks upward and
 * has all of the triangle under it tells a height at which the body is free: the lowest of these is sought, so what is found never
 * ends inside. Where the body rests on the face of the triangle, that is the plane. Otherwise a ray is cast down onto the Minkowski
 * difference of the two (van den Bergen, Ray Casting against General Convex Objects, 2004), and its last plane is refined where one of
 * them is round.
 *
 * @param triangle three corners, nine numbers, in the axes in which the body stands; y is up
 * @param above a height from which the body is free of it
 * @param isFine false where a hundred millionth of their size is near enough: what is round takes ten times as long otherwise
 * @returns −Infinity where it passes beside the triangle
 */
export function raiseToTouch(bodies: Bodies, k: number, triangle: Float64Array, above: number, isFine = true): number {
  const onFace = restsOnFace(bodies, k, triangle)
  if (onFace !== undefined) return onFace
  let y = above
  // From some point of the difference to where the ray begins.
  let [vx, vy, vz] = [0, 1, 0]
  let [px, pz] = [0, 0]
  let count = 0
  let before = Infinity
  const scale = bodies.radius[k] + extentOf(triangle)
  for (let step = 0; step < MOST_STEPS; step++) {
    support(bodies, k, triangle, vx, vy, vz)
    const at = 3 * count
    simplex[at] = -lowest[0]
    simplex[at + 1] = y - lowest[1]
    simplex[at + 2] = -lowest[2]
    const along = vx * simplex[at] + vy * simplex[at + 1] + vz * simplex[at + 2]
    if (along > 0) {
      // All of it lies beyond a plane: the ray goes on to there, unless it only leads away.
      if (vy <= 0) return -Infinity
      const down = along / vy
      y -= down
      ;[px, pz] = [vx / vy, vz / vy]
      for (let i = 1; i <= at + 1; i += 3) simplex[i] -= down
      before = Infinity
    }
    count = closestOnSimplex(simplex, count + 1, closest)
    ;[vx, vy, vz] = closest
    const square = vx * vx + vy * vy + vz * vz
    if (count === 4 || square <= TOUCHING * TOUCHING * scale * scale) break
    // Where digits run out it comes no nearer.
    if (square >= before) break
    before = square
  }
  return y === above || !isFine ? y : refined(bodies, k, triangle, px, pz, y)
}

/** The plane of the triangle, where what reaches lowest over it lies over the triangle itself. */
function restsOnFace(bodies: Bodies, k: number, t: Float64Array): number | undefined {
  const [ux, uy, uz] = [t[3] - t[0], t[4] - t[1], t[5] - t[2]]
  const [wx, wy, wz] = [t[6] - t[0], t[7] - t[1], t[8] - t[2]]
  const area = uz * wx - ux * wz
  if (area === 0) return undefined
  const [dx, dz] = [(uy * wz - uz * wy) / area, (ux * wy - uy * wx) / area]
  bodies.support(k, -dx, -1, -dz, lowest, 0)
  const [x, z] = [lowest[0] - t[0], lowest[2] - t[2]]
  const [u, w] = [(z * wx - x * wz) / area, (uz * x - ux * z) / area]
  if (u < 0 || w < 0 || u + w > 1) return undefined
  return t[1] + u * uy + w * wy - lowest[1]
}

/** The lowest height that a plane near one tells: of those along an edge where the triangle is met there, else about its corner. */
function refined(bodies: Bodies, k: number, t: Float64Array, dx: number, dz: number, best: number): number {
  const { rims, round } = bodies.shape[k]!
  // Of corners alone the ray has found the very plane.
  if (rims.length === 0 && round === 0) return best
  const height = (x: number, z: number): number => {
    support(bodies, k, t, x, 1, z)
    return x * lowest[0] + lowest[1] + z * lowest[2]
  }
  const reach = [0, 3, 6].map((i) => t[i] * dx + t[i + 1] + t[i + 2] * dz)
  const most = Math.max(...reach)
  const near = ALIKE * (extentOf(t) + Math.abs(most)) * Math.hypot(dx, 1, dz)
  const met = [0, 3, 6].filter((_, i) => reach[i] >= most - near)
  const wide = FIRST_STEP * Math.hypot(dx, 1, dz)
  if (met.length === 2) return Math.min(best, alongEdge(t, met, dx, dz, wide, height))
  return met.length === 1 ? aboutCorner(dx, dz, wide, height, best) : best
}

/** Of the planes through an edge: where the height falls from both sides, by golden sections. */
function alongEdge(
  t: Float64Array,
  [i, j]: readonly number[],
  dx: number,
  dz: number,
  wide: number,
  height: (x: number, z: number) => number,
): number {
  const [ex, ey, ez] = [t[j] - t[i], t[j + 1] - t[i + 1], t[j + 2] - t[i + 2]]
  const level = ex * ex + ez * ez
  if (level === 0) return Infinity
  const [px, pz] = [(-ey * ex) / level, (-ey * ez) / level]
  const length = Math.sqrt(level)
  const [ax, az] = [-ez / length, ex / length]
  const from = (dx - px) * ax + (dz - pz) * az
  const on = (s: number): number => height(px + s * ax, pz + s * az)
  return on(goldenSection(on, from - wide, from + wide, SECTIONS))
}

/** Steps to whichever side is lower, smaller ones where none is. */
function aboutCorner(
  dx: number,
  dz: number,
  wide: number,
  height: (x: number, z: number) => number,
  best: number,
): number {
  for (let step = wide; step > wide * LAST_STEP; step /= 3) {
    for (let moved = true; moved;) {
      moved = false
      for (const [x, z] of SIDES) {
        const at = height(dx + step * x, dz + step * z)
        if (at >= best) continue
        ;[dx, dz, best, moved] = [dx + step * x, dz + step * z, at, true]
        break
      }
    }
  }
  return best
}

/** The corner of triangle − body that lies farthest along a direction. */
function support(bodies: Bodies, k: number, t: Float64Array, dx: number, dy: number, dz: number): void {
  bodies.support(k, -dx, -dy, -dz, lowest, 0)
  let [corner, most] = [0, -Infinity]
  for (let i = 0; i < 9; i += 3) {
    const along = t[i] * dx + t[i + 1] * dy + t[i + 2] * dz
    if (along > most) [corner, most] = [i, along]
  }
  for (let i = 0; i < 3; i++) lowest[i] = t[corner + i] - lowest[i]
}

function extentOf(t: Float64Array): number {
  let most = 0
  for (let i = 3; i < 9; i++) most = Math.max(most, Math.abs(t[i] - t[i % 3]))
  return most
}
