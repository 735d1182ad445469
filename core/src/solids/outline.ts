import type { Solid, SolidKind } from './schema'
import type { Vec3 } from '../values/values'
import type { Extent } from '../spacing/row'
import { buildSolid } from './build'
import type { Mesh } from '../geometry/mesh'

type Reader<K extends SolidKind> = (solid: Extract<Solid, { kind: K }>, d: Readonly<Vec3>) => Extent
type Readers = { [K in SolidKind]: Reader<K> }

/** Half the extent of a disc of radius 1 about the up axis. */
const disc = (d: Readonly<Vec3>): number => Math.sqrt(d[0] * d[0] + d[2] * d[2])
const length = (d: Readonly<Vec3>): number => Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2])

const about = (centre: number, reach: number): Extent => ({ low: centre - reach, high: centre + reach })

const readers: Readers = {
  box: ({ width, height, depth }, d) =>
    about((height / 2) * d[1], (width * Math.abs(d[0]) + height * Math.abs(d[1]) + depth * Math.abs(d[2])) / 2),
  roundedBox: ({ width, height, depth, radius }, d) => {
    const r = Math.min(radius, width / 2, height / 2, depth / 2)
    const inner =
      (width / 2 - r) * Math.abs(d[0]) + (height / 2 - r) * Math.abs(d[1]) + (depth / 2 - r) * Math.abs(d[2])
    return about((height / 2) * d[1], inner + r * length(d))
  },
  cylinder: ({ width, height }, d) => about((height / 2) * d[1], (width / 2) * disc(d) + (height / 2) * Math.abs(d[1])),
  cone: ({ width, top, height }, d) =>
    ofRims(
      [
        { radius: width / 2, height: 0 },
        { radius: top / 2, height },
      ],
      d,
    ),
  sphere: ({ width }, d) => about((width / 2) * d[1], (width / 2) * length(d)),
  capsule: ({ width, height }, d) => {
    // Two ellipsoids of revolution, or spheres where it is taller than wide, with a straight wall between them.
    const r = Math.min(width, height) / 2
    return about((height / 2) * d[1], (height / 2 - r) * Math.abs(d[1]) + Math.hypot((width / 2) * disc(d), r * d[1]))
  },
  plane: ({ width, depth }, d) => about(0, (width * Math.abs(d[0]) + depth * Math.abs(d[2])) / 2),
  torus: ({ width, thickness }, d) =>
    about((thickness / 2) * d[1], ((width - thickness) / 2) * disc(d) + (thickness / 2) * length(d)),
  lathe: ({ profile }, d) => ofRims(profile, d),
  tube: (s, d) => ofPoints(meshOf(s).positions, d),
  extrusion: (s, d) => ofPoints(meshOf(s).positions, d),
}

/** The triangles of a solid whose outline is that of its points, kept while the solid stays as it is. */
const meshes = new WeakMap<Solid, Mesh>()
function meshOf(solid: Solid): Mesh {
  const known = meshes.get(solid) ?? buildSolid(solid)
  meshes.set(solid, known)
  return known
}

/**
 * How far a solid reaches along a direction from its pivot: the support of its convex hull both ways, by its true form (a
 * sphere's outline is a sphere).
 *
 * @param direction need not be of unit length: the outline scales with it, so that a copy's turn q and size S are taken
 *   in by asking along S·q⁻¹·direction
 * @returns low and high in metres for a direction of length 1
 */
export const outlineOf = (solid: Solid, direction: Readonly<Vec3>): Extent =>
  (readers[solid.kind] as Reader<SolidKind>)(solid, direction)

function ofRims(rims: readonly { radius: number; height: number }[], d: Readonly<Vec3>): Extent {
  const across = disc(d)
  let [low, high] = [Infinity, -Infinity]
  for (const { radius, height } of rims) {
    low = Math.min(low, height * d[1] - radius * across)
    high = Math.max(high, height * d[1] + radius * across)
  }
  return { low, high }
}

/** The outline of points: three numbers a point. */
export function ofPoints(p: Float32Array, d: Readonly<Vec3>): Extent {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < p.length; i += 3) {
    const reach = p[i] * d[0] + p[i + 1] * d[1] + p[i + 2] * d[2]
    if (reach < low) low = reach
    if (reach > high) high = reach
  }
  return { low, high }
}

/** The outline of a box. */
export function ofBox(min: Readonly<Vec3>, max: Readonly<Vec3>, d: Readonly<Vec3>): Extent {
  let [low, high] = [0, 0]
  for (let i = 0; i < 3; i++) {
    low += Math.min(min[i] * d[i], max[i] * d[i])
    high += Math.max(min[i] * d[i], max[i] * d[i])
  }
  return { low, high }
}
