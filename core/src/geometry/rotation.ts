import { type Vec3, cross, dot } from './vec'

// Numbers are read by their index here and wherever copies are counted one by one: taking an array apart by a pattern ([x, y, z] = v) goes
// by its iterator, and takes four times as long in today's engines (100 000 of three numbers: 2.9 ms, by index 0.6 ms).

/** A unit quaternion, x y z w. */
export type Quaternion = readonly [number, number, number, number]

export const UNTURNED: Quaternion = [0, 0, 0, 1]

/** Turns about across, then up, then deep, each about the axes as turned so far (intrinsic XYZ), in radians. */
export function fromTurns(turns: Readonly<Vec3>): Quaternion {
  const sx = Math.sin(turns[0] / 2)
  const cx = Math.cos(turns[0] / 2)
  const sy = Math.sin(turns[1] / 2)
  const cy = Math.cos(turns[1] / 2)
  const sz = Math.sin(turns[2] / 2)
  const cz = Math.cos(turns[2] / 2)
  return [
    sx * cy * cz + cx * sy * sz,
    cx * sy * cz - sx * cy * sz,
    cx * cy * sz + sx * sy * cz,
    cx * cy * cz - sx * sy * sz,
  ]
}

/**
 * The turns about across, up and deep (intrinsic XYZ, radians) that make a quaternion. At ±90° about up the turn about
 * deep is chosen as 0.
 */
export function toTurns([x, y, z, w]: Quaternion): Vec3 {
  const sinY = 2 * (x * z + w * y)
  const cosY = Math.hypot(1 - 2 * (y * y + z * z), 2 * (x * y - w * z))
  if (cosY < 1e-9) return [2 * Math.atan2(x, w), Math.atan2(sinY, cosY), 0]
  if (cosY < 1e-3) {
    // So near to upright only the sum of the two other turns is told well: the second is what the first leaves.
    const turns: Vec3 = [Math.atan2(2 * (w * x - y * z), 1 - 2 * (x * x + y * y)), Math.atan2(sinY, cosY), 0]
    const left = compose(inverse(fromTurns(turns)), [x, y, z, w])
    return leastTurns([turns[0], turns[1], 2 * Math.atan2(left[2], left[3])])
  }
  return leastTurns([
    Math.atan2(2 * (w * x - y * z), 1 - 2 * (x * x + y * y)),
    Math.atan2(sinY, cosY),
    Math.atan2(2 * (w * z - x * y), 1 - 2 * (y * y + z * z)),
  ])
}

/** Of the two triples that give one turn, the one with the smaller angles: 0°, 180°, 0° and not 180°, 0°, 180°. */
function leastTurns(turns: Vec3): Vec3 {
  const around = (angle: number): number => (angle > 0 ? angle - Math.PI : angle + Math.PI)
  const other: Vec3 = [around(turns[0]), (turns[1] < 0 ? -Math.PI : Math.PI) - turns[1], around(turns[2])]
  const sum = ([a, b, c]: Vec3): number => Math.abs(a) + Math.abs(b) + Math.abs(c)
  return sum(other) < sum(turns) - 1e-9 ? other : turns
}

/** The turn that does b first and then a: a·b. */
export const compose = (a: Quaternion, b: Quaternion): Quaternion => [
  a[3] * b[0] + a[0] * b[3] + a[1] * b[2] - a[2] * b[1],
  a[3] * b[1] - a[0] * b[2] + a[1] * b[3] + a[2] * b[0],
  a[3] * b[2] + a[0] * b[1] - a[1] * b[0] + a[2] * b[3],
  a[3] * b[3] - a[0] * b[0] - a[1] * b[1] - a[2] * b[2],
]

export const inverse = (q: Quaternion): Quaternion => [-q[0], -q[1], -q[2], q[3]]

/** A direction or offset, turned. */
export function rotate(q: Quaternion, v: Readonly<Vec3>): Vec3 {
  const tx = 2 * (q[1] * v[2] - q[2] * v[1])
  const ty = 2 * (q[2] * v[0] - q[0] * v[2])
  const tz = 2 * (q[0] * v[1] - q[1] * v[0])
  return [
    v[0] + q[3] * tx + q[1] * tz - q[2] * ty,
    v[1] + q[3] * ty + q[2] * tx - q[0] * tz,
    v[2] + q[3] * tz + q[0] * ty - q[1] * tx,
  ]
}

/** How far a unit quaternion turns, from 0 to π: by its tangent, as an arc cosine knows no turn below 1e-8. */
export const angleOf = ([x, y, z, w]: Quaternion): number => 2 * Math.atan2(Math.hypot(x, y, z), Math.abs(w))

/** A quaternion from three axes at right angles (Shepperd 1978). */
export function fromAxes(x: Readonly<Vec3>, y: Readonly<Vec3>, z: Readonly<Vec3>): Quaternion {
  const trace = x[0] + y[1] + z[2]
  if (trace > 0) {
    const s = 2 * Math.sqrt(trace + 1)
    return [(y[2] - z[1]) / s, (z[0] - x[2]) / s, (x[1] - y[0]) / s, s / 4]
  }
  if (x[0] > y[1] && x[0] > z[2]) {
    const s = 2 * Math.sqrt(1 + x[0] - y[1] - z[2])
    return [s / 4, (x[1] + y[0]) / s, (z[0] + x[2]) / s, (y[2] - z[1]) / s]
  }
  if (y[1] > z[2]) {
    const s = 2 * Math.sqrt(1 + y[1] - x[0] - z[2])
    return [(x[1] + y[0]) / s, s / 4, (y[2] + z[1]) / s, (z[0] - x[2]) / s]
  }
  const s = 2 * Math.sqrt(1 + z[2] - x[0] - y[1])
  return [(z[0] + x[2]) / s, (y[2] + z[1]) / s, s / 4, (x[1] - y[0]) / s]
}

/** A turn as a 3 × 3 matrix, row by row, for loops over many points. */
export const turnMatrix = ([x, y, z, w]: Quaternion): Float64Array =>
  Float64Array.of(
    1 - 2 * (y * y + z * z),
    2 * (x * y - w * z),
    2 * (x * z + w * y),
    2 * (x * y + w * z),
    1 - 2 * (x * x + z * z),
    2 * (y * z - w * x),
    2 * (x * z - w * y),
    2 * (y * z + w * x),
    1 - 2 * (x * x + y * y),
  )

/** The least turn that brings one direction to another, or towards it by an angle at the most. */
export function turnTowards(from: Readonly<Vec3>, to: Readonly<Vec3>, most: number): Quaternion {
  const axis = cross(from, to)
  const sine = Math.hypot(...axis)
  const angle = Math.min(Math.atan2(sine, dot(from, to)), most)
  if (angle === 0) return UNTURNED
  // Straight against each other any axis across does.
  const [x, y, z] = sine > 1e-12 ? [axis[0] / sine, axis[1] / sine, axis[2] / sine] : acrossOf(from)
  const s = Math.sin(angle / 2)
  return [x * s, y * s, z * s, Math.cos(angle / 2)]
}

function acrossOf(direction: Readonly<Vec3>): Vec3 {
  const across = cross(direction, Math.abs(direction[0]) < 0.9 ? [1, 0, 0] : [0, 0, 1])
  const length = Math.hypot(...across)
  return [across[0] / length, across[1] / length, across[2] / length]
}
