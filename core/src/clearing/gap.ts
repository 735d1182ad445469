import type { Bodies } from './bodies'
import { difference } from './difference'
import { depthFrom } from './polytope'
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
    // Where nothing lies farther on, and this side of it all the same, the simplex is so flat that its nearest point is noise.
    if (count > 0 && (square - along <= EXACT * square || isKnown(count)))
      return along > 0 ? apart(vx, vy, vz) : depth(bodies, i, j, count, factor, scale)
    count = closestOnSimplex(simplex, count + 1, closest)
    // Where digits run out the walk comes no nearer: near touching it would go round in a circle.
    const next = closest[0] * closest[0] + closest[1] * closest[1] + closest[2] * closest[2]
    if (step > 0 && count < 4 && next >= square)
      return along > 0 && square > TOUCHING * scale * scale
        ? apart(vx, vy, vz)
        : depth(bodies, i, j, count, factor, scale)
    vx = closest[0]
    vy = closest[1]
    vz = closest[2]
    if (count === 4 || vx * vx + vy * vy + vz * vz <= 1e-20 * scale * scale)
      return depth(bodies, i, j, count, factor, scale)
  }
  return apart(vx, vy, vz)
}

const closest = new Float64Array(3)

/** Whether the corner that came last is one of those before it: nothing lies farther on, and the walk is at its end. */
function isKnown(count: number): boolean {
  const x = simplex[3 * count]
  const y = simplex[3 * count + 1]
  const z = simplex[3 * count + 2]
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

function depth(bodies: Bodies, i: number, j: number, count: number, factor: number, scale: number): Gap {
  beyond = depthFrom(simplex, count, { bodies, i, j, factor, scale }, result)
  return result
}
