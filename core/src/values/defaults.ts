import type { Clear } from '../model/clear'
import type { Path, Ring, Spacing } from '../model/layout'
import type { MirrorPlane, Reflection } from './reflection'
import type { Axis } from './values'

/** One copy, with a pitch for more of them: what a direction is before anything is asked of it. */
export const plainSpacing: Spacing = {
  hold: ['count', 'spacing'],
  count: 1,
  spacing: 0.1,
  measure: 'pitch',
  room: 0,
  edges: 'centres',
  ends: 'both',
  leftover: 'end',
}

/** One level ring all the way round, its copies facing out. */
export const plainRing: Ring = {
  kind: 'ring',
  hold: ['count', 'radius'],
  count: 16,
  spacing: 0.08,
  measure: 'gap',
  radius: 0.24,
  sweep: { kind: 'full' },
  start: 0,
  sense: 1,
  axis: 'up',
  facing: 'out',
  rings: 1,
  radialPitch: 0.1,
  ringCounts: 'keepSpacing',
  rise: 0,
  risePer: 'step',
  widen: 0,
  widenPer: 'step',
}

/** Along a whole curve by its true length, on it and upright. */
export const plainPath: Omit<Path, 'curve'> = {
  kind: 'path',
  way: 'length',
  hold: 'count',
  count: 8,
  spacing: 0.1,
  measure: 'pitch',
  ends: 'both',
  leftover: 'end',
  insetStart: 0,
  insetEnd: 0,
  slide: 0,
  reverse: false,
  contours: 'each',
  facing: 'upright',
  twist: 0,
  aside: 0,
  lift: 0,
  join: 'no',
  shown: true,
}

/** A plane that faces an axis and goes through the origin. */
export const plainPlane = (axis: Axis): MirrorPlane => ({
  facing: { kind: 'axis', axis, angle: 0 },
  through: { kind: 'origin' },
  offset: 0,
})

/** Across one plane, both sides kept; parts with a hand are mirrored, symmetric ones kept. */
export const plainReflection = (axis: Axis): Reflection => ({
  planes: [plainPlane(axis)],
  keep: 'both',
  what: 'both',
  shapes: 'auto',
  answers: {},
  surfaces: 'book',
})

/** Pushed apart over the ground, to within a tenth of a millimetre. */
export const plainClear: Omit<Clear, 'id'> = {
  kind: 'clear',
  how: 'push',
  clearance: 0,
  within: 0.0001,
  rounds: 200,
  axes: { across: true, up: false, deep: true },
  inside: false,
  floor: 0.5,
  priority: 'order',
  seed: 17,
  from: [],
}
