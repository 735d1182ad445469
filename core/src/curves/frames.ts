import type { Vec3 } from '../values/values'
import { type Quaternion, compose, fromAxes } from '../geometry/rotation'
import type { ArcLength } from './arcLength'

const dot = (a: Readonly<Vec3>, b: Readonly<Vec3>): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const cross = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const unit = (a: Readonly<Vec3>): Vec3 => {
  const n = Math.hypot(...a) || 1
  return [a[0] / n, a[1] / n, a[2] / n]
}

/** The turn that puts a part's front along one unit vector and its top as near as can be to another. */
export function turnTo(front: Readonly<Vec3>, top: Readonly<Vec3>): Quaternion {
  let right = cross(top, front)
  // A front that points straight up or down leaves the top free: the part then leans back.
  if (Math.hypot(...right) < 1e-9)
    right = cross(Math.abs(front[1]) > 0.9 ? [0, 0, -Math.sign(front[1])] : [0, 1, 0], front)
  const x = unit(right)
  const y = cross(front, x)
  return fromAxes(x, y, front)
}

/** A top carried from one place to the next without turning about the curve: double reflection (Wang, Jüttler, Zheng, Liu 2008). */
export function carried(
  top: Readonly<Vec3>,
  from: { point: Vec3; tangent: Vec3 },
  to: { point: Vec3; tangent: Vec3 },
): Vec3 {
  const way: Vec3 = [to.point[0] - from.point[0], to.point[1] - from.point[1], to.point[2] - from.point[2]]
  const c1 = dot(way, way)
  if (c1 < 1e-300) return [...top]
  const reflect = (v: Readonly<Vec3>, about: Readonly<Vec3>, squared: number): Vec3 => {
    const k = (2 * dot(about, v)) / squared
    return [v[0] - k * about[0], v[1] - k * about[1], v[2] - k * about[2]]
  }
  const r = reflect(top, way, c1)
  const t = reflect(from.tangent, way, c1)
  const second: Vec3 = [to.tangent[0] - t[0], to.tangent[1] - t[1], to.tangent[2] - t[2]]
  const c2 = dot(second, second)
  return c2 < 1e-300 ? r : reflect(r, second, c2)
}

/** Steps between copies along which a top is carried; the error falls with their fourth power. */
const STEPS = 16

/**
 * Tops at lengths along a contour that turn as little as possible about it, beginning with world up made square to the
 * first tangent. Lengths must not fall.
 */
export function leastTwistTops(measure: ArcLength, lengths: readonly number[]): Vec3[] {
  const tops: Vec3[] = []
  let at = measure.at(lengths[0] ?? 0)
  let s = lengths[0] ?? 0
  const up: Vec3 = Math.abs(at.tangent[1]) < 0.999 ? [0, 1, 0] : [0, 0, 1]
  let top = unit([0, 1, 2].map((i) => up[i] - dot(up, at.tangent) * at.tangent[i]) as Vec3)
  for (const length of lengths) {
    for (let i = 1; i <= STEPS && length > s; i++) {
      const next = measure.at(s + ((length - s) * i) / STEPS)
      top = unit(carried(top, at, next))
      at = next
    }
    s = Math.max(s, length)
    tops.push([...top])
  }
  return tops
}

/** A turn about the copy's own front, in radians, added to its turn. */
export const twisted = (turn: Quaternion, angle: number): Quaternion =>
  compose(turn, [0, 0, Math.sin(angle / 2), Math.cos(angle / 2)])
