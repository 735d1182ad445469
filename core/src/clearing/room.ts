import { hullVolume } from '../geometry/hull'
import type { Bodies } from './bodies'
import type { Convex } from './convex'

/** The room inside which copies are to stay, seen by their pivots, in metres. */
export interface FreeRoom {
  readonly low: readonly number[]
  readonly high: readonly number[]
  /** The area of an outline, and the length of its edge, where it is not a box. */
  readonly area?: { readonly size: number; readonly edge: number }
}

/** How full a room is. */
export interface Fullness {
  /** The share of the room that copies and their clearance take up. */
  readonly share: number
  /** By which share of itself the room would have to be larger for them to fit as they come; 0 where they should. */
  readonly missing: number
}

/**
 * What things that come as they will can fill at the most: all of a line; discs 0.84 of a plane (random close packing, Berryman,
 * Phys. Rev. A 27, 1983; value from memory), balls 0.64 of a space (Bernal, Nature 185, 1960).
 */
const mostFilled = [1, 0.84, 0.64]
/** Directions in which shadows and solids are measured, a quarter turn. */
const QUARTER = 8

/**
 * How much of a room copies take up along the axes in which they may move, each with half the clearance round it: lengths along
 * one, the areas of their shadows along two, their volumes along three. Copies reach beyond the room by their outlines, as
 * only pivots are kept inside; that is counted to the room.
 */
export function fullness(
  bodies: Bodies,
  own: number,
  clearance: number,
  free: readonly [boolean, boolean, boolean],
  { low, high, area }: FreeRoom,
): Fullness {
  const axes = [0, 1, 2].filter((i) => free[i])
  let taken = 0
  const reach = [0, 0, 0]
  let there = 0
  for (let k = 0; k < own; k++) {
    if (!bodies.there[k]) continue
    there++
    taken += measureOf(bodies, k, clearance / 2, axes)
    for (const i of axes) reach[i] += extent(bodies, k, i) / 2 + clearance / 2
  }
  const beyond = reach.map((r) => r / Math.max(there, 1))
  const mean = axes.reduce((sum, i) => sum + beyond[i], 0) / Math.max(axes.length, 1)
  const room =
    area && axes.length === 2
      ? area.size + area.edge * mean + Math.PI * mean * mean
      : axes.reduce((size, i) => size * (high[i] - low[i] + 2 * beyond[i]), 1)
  const most = mostFilled[axes.length - 1]
  return { share: taken / room, missing: Math.max(0, taken / (most * room) - 1) }
}

/** The edge of a cube that is as large as a ball of radius 1. */
const CUBE = Math.cbrt((4 / 3) * Math.PI)
/** Corners that stand for a rim: inside it, so that nothing is taken for larger than it is. */
const AROUND = 16

/**
 * Whether copies together are larger than all of the space that they can reach, so that no pushing can ever free their outlines. Never
 * said of what might fit: each is taken for no more than it is (with half the clearance round it at least the sum of the cube roots to
 * the third, Brunn and Minkowski), the space for no less than it is. Shadows would not do: plates that lean on each other have theirs
 * over each other and are free.
 */
export function cannotFit(
  bodies: Bodies,
  own: number,
  clearance: number,
  free: readonly [boolean, boolean, boolean],
  { low, high, area }: FreeRoom,
): boolean {
  const solids = new Map<Convex, number>()
  const round = clearance / 2
  let taken = 0
  let reach = 0
  const [from, to] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ]
  for (let k = 0; k < own; k++) {
    const shape = bodies.shape[k]
    if (!bodies.there[k] || !shape) continue
    const solid = solids.get(shape) ?? hullVolume(cornersOf(shape))
    solids.set(shape, solid)
    const [x, y, z] = [0, 1, 2].map((i) => Math.abs(bodies.size[3 * k + i]))
    taken += (Math.cbrt(solid * x * y * z) + CUBE * (shape.round * Math.min(x, y, z) + round)) ** 3
    reach = Math.max(reach, Math.hypot(...[0, 1, 2].map((i) => bodies.middle[3 * k + i])) + bodies.radius[k] + round)
    for (let i = 0; i < 3; i++) {
      const at = bodies.position[3 * k + i] + bodies.middle[3 * k + i]
      from[i] = Math.min(from[i], at - bodies.radius[k] - round)
      to[i] = Math.max(to[i], at + bodies.radius[k] + round)
    }
  }
  const flat = area && free[0] && free[2] ? area.size + area.edge * reach + Math.PI * reach * reach : undefined
  const wide = (i: number): number => (free[i] ? high[i] - low[i] + 2 * reach : to[i] - from[i])
  return taken > (flat ?? wide(0) * wide(2)) * wide(1)
}

/** Points of which the hull lies inside a shape but for what is round it. */
function cornersOf({ points, rims }: Convex): number[] {
  const corners = [...points]
  for (let i = 0; i < rims.length; i += 2)
    for (let n = 0; n < AROUND; n++) {
      const angle = (2 * Math.PI * n) / AROUND
      corners.push(rims[i] * Math.cos(angle), rims[i + 1], rims[i] * Math.sin(angle))
    }
  return corners
}

const point = new Float64Array(3)

function supportAlong(bodies: Bodies, k: number, x: number, y: number, z: number): number {
  bodies.support(k, x, y, z, point, 0)
  const { position: p } = bodies
  return x * (point[0] - p[3 * k]) + y * (point[1] - p[3 * k + 1]) + z * (point[2] - p[3 * k + 2])
}

function extent(bodies: Bodies, k: number, axis: number): number {
  const [x, y, z] = [0, 1, 2].map((i) => (i === axis ? 1 : 0))
  return supportAlong(bodies, k, x, y, z) + supportAlong(bodies, k, -x, -y, -z)
}

/** Length, shadow or volume of a body with so much round it, from its support in many directions. */
function measureOf(bodies: Bodies, k: number, round: number, axes: readonly number[]): number {
  if (axes.length === 1) return extent(bodies, k, axes[0]) + 2 * round
  const [a, b, c] = axes
  const way = [0, 0, 0]
  if (axes.length === 2) {
    return shadow(4 * QUARTER, (angle) => {
      way[a] = Math.cos(angle)
      way[b] = Math.sin(angle)
      return supportAlong(bodies, k, way[0], way[1], way[2]) + round
    })
  }
  // A volume by its shadows: for a ball it is 4/3 of its radius times its mean shadow; what is longer than it is wide less so.
  const wide = (axis: number): number => extent(bodies, k, axis) + 2 * round
  const [w, h, d] = [wide(a), wide(b), wide(c)]
  const flat = (u: number, v: number): number => measureOf(bodies, k, round, [u, v])
  // Exact for boxes along the axes and for balls: each shadow's share of its rectangle, as the cube of their geometric mean’s root.
  const share = (flat(a, b) / (w * h)) * (flat(b, c) / (h * d)) * (flat(a, c) / (w * d))
  return w * h * d * (share > 0.999 ? 1 : share ** (Math.log(Math.PI / 6) / (3 * Math.log(Math.PI / 4))))
}

/** The area that a support function encloses: ½ ∮ h (h + h″) dφ, by the polygon of its tangents. */
function shadow(count: number, support: (angle: number) => number): number {
  const step = (2 * Math.PI) / count
  const h = Array.from({ length: count }, (_, i) => support(i * step))
  let twice = 0
  for (let i = 0; i < count; i++) {
    const [before, after] = [h[(i + count - 1) % count], h[(i + 1) % count]]
    // The side of the polygon that touches in this direction.
    twice += h[i] * ((before + after - 2 * h[i] * Math.cos(step)) / Math.sin(step))
  }
  return twice / 2
}
