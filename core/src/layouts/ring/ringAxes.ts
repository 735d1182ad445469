import type { Axis, Vec3 } from '../../values/values'

/** The axes of a ring: where angle 0 lies, where a quarter turn leads, and the axis (right-handed). */
export const ringAxes: Record<Axis, { zero: Vec3; quarter: Vec3; axis: Vec3; index: 0 | 1 | 2; outward: number }> = {
  // `outward` is the turn about the axis by which a copy at angle 0 comes to face outward: its front where the axis is
  // up, its upper side where the ring stands.
  up: { zero: [1, 0, 0], quarter: [0, 0, -1], axis: [0, 1, 0], index: 1, outward: Math.PI / 2 },
  deep: { zero: [1, 0, 0], quarter: [0, 1, 0], axis: [0, 0, 1], index: 2, outward: -Math.PI / 2 },
  across: { zero: [0, 1, 0], quarter: [0, 0, 1], axis: [1, 0, 0], index: 0, outward: 0 },
}
