import { isDraft } from 'immer'
import type { Solid, SolidKind } from './schema'
import type { Vec3 } from '../values/values'
import { type Extent, type ExtentOut, unmeasured } from '../spacing/row'
import { buildSolid } from './build'
import type { Mesh } from '../geometry/mesh'

/** How far something reaches along a direction from its pivot, both ways. */
type Outline = (d: Readonly<Vec3>, into?: ExtentOut) => Extent
type Readers = { [K in SolidKind]: (solid: Extract<Solid, { kind: K }>) => Outline }

/** Half the extent of a disc of radius 1 about the up axis. */
const disc = (d: Readonly<Vec3>): number => Math.sqrt(d[0] * d[0] + d[2] * d[2])
const length = (d: Readonly<Vec3>): number => Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2])

function about(centre: number, reach: number, into: ExtentOut): Extent {
  into.low = centre - reach
  into.high = centre + reach
  return into
}

const readers: Readers = {
  box: ({ width, height, depth }) => {
    return (d, into = unmeasured()) =>
      about((height / 2) * d[1], (width * Math.abs(d[0]) + height * Math.abs(d[1]) + depth * Math.abs(d[2])) / 2, into)
  },
  roundedBox: ({ width, height, depth, radius }) => {
    const r = Math.min(radius, width / 2, height / 2, depth / 2)
    const x = width / 2 - r
    const y = height / 2 - r
    const z = depth / 2 - r
    return (d, into = unmeasured()) =>
      about((height / 2) * d[1], x * Math.abs(d[0]) + y * Math.abs(d[1]) + z * Math.abs(d[2]) + r * length(d), into)
  },
  cylinder: ({ width, height }) => {
    return (d, into = unmeasured()) =>
      about((height / 2) * d[1], (width / 2) * disc(d) + (height / 2) * Math.abs(d[1]), into)
  },
  cone: ({ width, top, height }) =>
    ofRims([
      { radius: width / 2, height: 0 },
      { radius: top / 2, height },
    ]),
  sphere: ({ width }) => {
    return (d, into = unmeasured()) => about((width / 2) * d[1], (width / 2) * length(d), into)
  },
  capsule: ({ width, height }) => {
    // Two ellipsoids of revolution, or spheres where it is taller than wide, with a straight wall between them.
    const r = Math.min(width, height) / 2
    return (d, into = unmeasured()) =>
      about((height / 2) * d[1], (height / 2 - r) * Math.abs(d[1]) + Math.hypot((width / 2) * disc(d), r * d[1]), into)
  },
  plane: ({ width, depth }) => {
    return (d, into = unmeasured()) => about(0, (width * Math.abs(d[0]) + depth * Math.abs(d[2])) / 2, into)
  },
  torus: ({ width, thickness }) => {
    return (d, into = unmeasured()) =>
      about((thickness / 2) * d[1], ((width - thickness) / 2) * disc(d) + (thickness / 2) * length(d), into)
  },
  lathe: ({ profile }) => ofRims(profile),
  // Of these the outline is that of their points.
  tube: (s) => withPoints(buildSolid(s)),
  extrusion: (s) => withPoints(buildSolid(s)),
}

/**
 * How far a solid reaches along a direction from its pivot: the support of its convex hull both ways, by its true form (a sphere's
 * outline is a sphere). What is asked along need not be of unit length: the outline scales with it, so that a copy's turn q and size S are
 * taken in by asking along S·q⁻¹·direction.
 *
 * @returns what tells low and high in metres for a direction of length 1, written into what is handed over for it: a crowd asks copy by
 *   copy, and an answer of its own for each took longer than measuring
 */
export function outlineOf(solid: Solid): Outline {
  const known = outlines.get(solid)
  if (known) return known
  const made = (readers[solid.kind] as (solid: Solid) => Outline)(solid)
  // One that is being changed is another one the next time.
  if (!isDraft(solid)) outlines.set(solid, made)
  return made
}
/** Kept while the solid stays as it is: copies are asked one by one. */
const outlines = new WeakMap<Solid, Outline>()

interface Rim {
  readonly radius: number
  readonly height: number
}

function ofRims(profile: readonly Rim[]): Outline {
  // Numbers in a row, as a crowd asks copy by copy.
  const rims = Float64Array.from(outermost(profile).flatMap(({ radius, height }) => [radius, height]))
  return (d, into = unmeasured()) => {
    const across = disc(d)
    const up = d[1]
    let low = Infinity
    let high = -Infinity
    for (let i = 0; i < rims.length; i += 2) {
      const reach = rims[i] * across
      const at = rims[i + 1] * up
      if (at - reach < low) low = at - reach
      if (at + reach > high) high = at + reach
    }
    into.low = low
    into.high = high
    return into
  }
}

/**
 * The rims that something set against the solid can touch, from the lowest to the highest: the side of their convex hull that lies
 * away from the axis.
 */
function outermost(profile: readonly Rim[]): readonly Rim[] {
  const outer: Rim[] = []
  for (const rim of [...profile].sort((a, b) => a.height - b.height || a.radius - b.radius)) {
    while (outer.length > 0 && isWithin(outer, rim)) outer.pop()
    outer.push(rim)
  }
  return outer
}

/** Whether the last rim is on or within the straight line from the one before it to the next; of two at one height the wider counts. */
function isWithin(outer: readonly Rim[], next: Rim): boolean {
  const last = outer[outer.length - 1]
  if (last.height === next.height) return true
  const before = outer[outer.length - 2] as Rim | undefined
  if (!before) return false
  const across = (last.radius - before.radius) * (next.height - before.height)
  return across <= (next.radius - before.radius) * (last.height - before.height)
}

const withPoints = ({ positions }: Mesh): Outline => {
  return (d, into) => ofPoints(positions, d, into)
}

/** The outline of points: three numbers a point. */
export function ofPoints(p: Float32Array | Float64Array, d: Readonly<Vec3>, into: ExtentOut = unmeasured()): Extent {
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < p.length; i += 3) {
    const reach = p[i] * d[0] + p[i + 1] * d[1] + p[i + 2] * d[2]
    if (reach < low) low = reach
    if (reach > high) high = reach
  }
  into.low = low
  into.high = high
  return into
}

/** The outline of a box. */
export function ofBox(
  min: Readonly<Vec3>,
  max: Readonly<Vec3>,
  d: Readonly<Vec3>,
  into: ExtentOut = unmeasured(),
): Extent {
  let low = 0
  let high = 0
  for (let i = 0; i < 3; i++) {
    low += Math.min(min[i] * d[i], max[i] * d[i])
    high += Math.max(min[i] * d[i], max[i] * d[i])
  }
  into.low = low
  into.high = high
  return into
}
