import type { Shape, Solid, SolidKind } from '../model/part'
import type { Vec3 } from '../model/values'
import type { Outline } from '../spacing/row'
import type { Mesh } from './mesh'

type Reader<K extends SolidKind> = (solid: Extract<Solid, { kind: K }>, d: Readonly<Vec3>) => Outline
type Readers = { [K in SolidKind]: Reader<K> }

/** Half the extent of a disc of radius 1 about the up axis. */
const disc = (d: Readonly<Vec3>): number => Math.hypot(d[0], d[2])
const length = (d: Readonly<Vec3>): number => Math.hypot(d[0], d[1], d[2])

const about = (centre: number, reach: number): Outline => ({ low: centre - reach, high: centre + reach })

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
  torus: ({ width, thickness }, d) =>
    about((thickness / 2) * d[1], ((width - thickness) / 2) * disc(d) + (thickness / 2) * length(d)),
  lathe: ({ profile }, d) => ofRims(profile, d),
}

/**
 * How far a shape reaches along a direction from its pivot: the support of its convex hull both ways. For a solid made
 * from numbers this is its true form (a sphere's outline is a sphere), for a mesh its vertices; until a mesh has been
 * read, the box that the document keeps of it.
 *
 * @param direction need not be of unit length: the outline scales with it, so that a copy's turn q and size S are taken
 *   in by asking along S·q⁻¹·direction
 * @returns low and high in metres for a direction of length 1
 */
export function outlineAlong(shape: Shape, direction: Readonly<Vec3>, mesh?: Mesh): Outline {
  if (shape.kind === 'mesh') return mesh ? ofPoints(mesh.positions, direction) : ofBox(shape.low, shape.high, direction)
  return (readers[shape.kind] as Reader<SolidKind>)(shape, direction)
}

/** The box about a shape, by its outlines along the three axes. */
export function boundsOf(shape: Shape, mesh?: Mesh): { low: Vec3; high: Vec3 } {
  const [x, y, z] = (
    [
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ] as const
  ).map((d) => outlineAlong(shape, [...d], mesh))
  return { low: [x.low, y.low, z.low], high: [x.high, y.high, z.high] }
}

function ofRims(rims: readonly { radius: number; height: number }[], d: Readonly<Vec3>): Outline {
  const across = disc(d)
  let [low, high] = [Infinity, -Infinity]
  for (const { radius, height } of rims) {
    low = Math.min(low, height * d[1] - radius * across)
    high = Math.max(high, height * d[1] + radius * across)
  }
  return { low, high }
}

function ofPoints(p: Float32Array, d: Readonly<Vec3>): Outline {
  let [low, high] = [Infinity, -Infinity]
  for (let i = 0; i < p.length; i += 3) {
    const reach = p[i] * d[0] + p[i + 1] * d[1] + p[i + 2] * d[2]
    if (reach < low) low = reach
    if (reach > high) high = reach
  }
  return { low, high }
}

function ofBox(min: Readonly<Vec3>, max: Readonly<Vec3>, d: Readonly<Vec3>): Outline {
  let [low, high] = [0, 0]
  for (let i = 0; i < 3; i++) {
    low += Math.min(min[i] * d[i], max[i] * d[i])
    high += Math.max(min[i] * d[i], max[i] * d[i])
  }
  return { low, high }
}
