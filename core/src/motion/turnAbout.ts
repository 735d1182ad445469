import type { Quaternion } from '../geometry/rotation'
import type { Axis } from '../values/values'

/** The turn about one axis by an angle in radians. */
export function turnAbout(axis: Axis, angle: number): Quaternion {
  const [s, c] = [Math.sin(angle / 2), Math.cos(angle / 2)]
  return { across: [s, 0, 0, c] as const, up: [0, s, 0, c] as const, deep: [0, 0, s, c] as const }[axis]
}
