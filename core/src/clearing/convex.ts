import { hullCorners } from '../geometry/hull'
import type { Solid } from '../solids/schema'
import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'

/**
 * A convex shape about a part's pivot: the hull of points and of level rims, with everything within `round` of it. A solid made
 * from numbers is taken in its true form, so a sphere is one point with a radius.
 */
export interface Convex {
  /** Three numbers a point. */
  readonly points: Float64Array
  /** Radius and height of each rim about the up axis. */
  readonly rims: Float64Array
  readonly round: number
  /** Where points and rims are counted from, from the pivot. */
  readonly offset: readonly [number, number, number]
  /** The middle and the radius of a ball that holds it. */
  readonly centre: readonly [number, number, number]
  readonly radius: number
}

const ofMeshes = new WeakMap<Mesh, Convex>()

/** The convex outline of a thing that is known by its box alone. */
export const convexOfBox = (low: Readonly<Vec3>, high: Readonly<Vec3>): Convex =>
  bounded(
    [low[0], high[0]].flatMap((x) => [low[1], high[1]].flatMap((y) => [low[2], high[2]].flatMap((z) => [x, y, z]))),
    [],
    0,
  )

/** The convex outline of a mesh: the corners of its hull. */
export function convexOfMesh(mesh: Mesh): Convex {
  const known = ofMeshes.get(mesh) ?? bounded(hullCorners(mesh.positions), [], 0)
  ofMeshes.set(mesh, known)
  return known
}

/** The true form of a solid made from numbers; undefined for those that only their mesh tells. */
export function convexOfSolid(solid: Solid): Convex | undefined {
  switch (solid.kind) {
    case 'box':
      return bounded(corners(solid.width, solid.height, solid.depth, 0), [], 0)
    case 'roundedBox': {
      const r = Math.min(solid.radius, solid.width / 2, solid.height / 2, solid.depth / 2)
      return bounded(corners(solid.width, solid.height, solid.depth, r), [], r)
    }
    case 'cylinder':
      return bounded([], [solid.width / 2, 0, solid.width / 2, solid.height], 0)
    case 'cone':
      return bounded([], [solid.width / 2, 0, solid.top / 2, solid.height], 0)
    case 'sphere':
      return bounded([0, solid.width / 2, 0], [], solid.width / 2)
    case 'capsule': {
      if (solid.height < solid.width) return undefined
      const r = solid.width / 2
      return bounded([0, r, 0, 0, solid.height - r, 0], [], r)
    }
    case 'torus':
      return bounded([], [(solid.width - solid.thickness) / 2, solid.thickness / 2], solid.thickness / 2)
    case 'lathe':
      return bounded(
        [],
        solid.profile.flatMap(({ radius, height }) => [radius, height]),
        0,
      )
    default:
      return undefined
  }
}

function corners(width: number, height: number, depth: number, inset: number): number[] {
  const [x, z] = [width / 2 - inset, depth / 2 - inset]
  return [-x, x].flatMap((a) => [inset, height - inset].flatMap((b) => [-z, z].flatMap((c) => [a, b, c])))
}

function bounded(points: number[], rims: number[], round: number): Convex {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  const reach = (at: readonly number[], wide: readonly number[]): void =>
    at.forEach((n, i) => {
      low[i] = Math.min(low[i], n - wide[i])
      high[i] = Math.max(high[i], n + wide[i])
    })
  for (let i = 0; i < points.length; i += 3) reach(points.slice(i, i + 3), [0, 0, 0])
  for (let i = 0; i < rims.length; i += 2) reach([0, rims[i + 1], 0], [rims[i], 0, rims[i]])
  const centre = [0, 1, 2].map((i) => (low[i] + high[i]) / 2)
  let radius = 0
  for (let i = 0; i < points.length; i += 3)
    radius = Math.max(radius, Math.hypot(...centre.map((c, k) => points[i + k] - c)))
  for (let i = 0; i < rims.length; i += 2)
    radius = Math.max(radius, Math.hypot(rims[i] + Math.hypot(centre[0], centre[2]), rims[i + 1] - centre[1]))
  return {
    points: Float64Array.from(points),
    rims: Float64Array.from(rims),
    round,
    offset: [0, 0, 0],
    centre: [centre[0], centre[1], centre[2]],
    radius: radius + round,
  }
}

export const movedConvex = (convex: Convex, pivot: Readonly<Vec3>): Convex => ({
  ...convex,
  offset: [-pivot[0], -pivot[1], -pivot[2]],
  centre: [convex.centre[0] - pivot[0], convex.centre[1] - pivot[1], convex.centre[2] - pivot[2]],
})

/** The outline of a thing that is so many times as large. */
export const sizedConvex = ({ points, rims, round, offset, centre, radius }: Convex, by: number): Convex => ({
  points: points.map((n) => n * by),
  rims: rims.map((n) => n * by),
  round: round * by,
  offset: [offset[0] * by, offset[1] * by, offset[2] * by],
  centre: [centre[0] * by, centre[1] * by, centre[2] * by],
  radius: radius * by,
})

/** Whether a convex is a ball: only then does its reach not depend on how it is turned. */
export const isBall = ({ points, rims, round }: Convex): boolean =>
  points.length === 3 && rims.length === 0 && round > 0
