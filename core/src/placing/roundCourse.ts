import { greatest, least } from '../geometry/extremes'
import { fitCircle } from '../geometry/fitCircle'
import { type Vec3, dot, minus, plus, times } from '../geometry/vec'
import { ringAxes } from '../layouts/ring/ringAxes'
import type { Axis } from '../values/values'
import { type Result, done, refused } from '../words'
import type { Body } from './body'
import { type OnCourse, type Course, inOrder } from './course'

/** Where things stand round the circle that fits them. */
export interface StandRound {
  /** Across which the circle lies. */
  readonly axis: Axis
  /** Of the world; along the axis in the middle of them. */
  readonly centre: Vec3
  readonly radius: number
  readonly course: Course
  readonly order: readonly OnCourse[]
}

/** Of equal spreads the first is taken: most things stand on something. */
const AXES: readonly Axis[] = ['up', 'deep', 'across']

/**
 * Where things stand round the circle that fits their pivots best. It lies across the axis along which they are spread the least; along
 * that axis each of them stays where it is.
 *
 * @returns refused for fewer than three, and where they stand on a line
 */
export function standRound(bodies: readonly Body[]): Result<StandRound> {
  if (bodies.length < 3)
    return refused('A circle goes through three things or more: pick another, or space them along an axis.')
  const pivots = bodies.map(({ stands }) => stands.move)
  const spread = (axis: Axis): number => {
    const along = pivots.map((p) => dot(p, ringAxes[axis].axis))
    return greatest(along) - least(along)
  }
  const axis = AXES.reduce((flat, one) => (spread(one) < spread(flat) - 1e-9 ? one : flat))
  const { zero, quarter, axis: up } = ringAxes[axis]
  const circle = fitCircle(pivots.map((p) => [dot(p, zero), dot(p, quarter)] as const))
  if (!circle) return refused('They stand on a line: no circle goes through them. Space them along the line instead.')
  const { radius } = circle
  const level = pivots.reduce((sum, p) => sum + dot(p, up), 0) / pivots.length
  const centre = plus(plus(times(zero, circle.centre[0]), times(quarter, circle.centre[1])), times(up, level))
  const direction = (angle: number): Vec3 => plus(times(zero, Math.cos(angle)), times(quarter, Math.sin(angle)))
  const course: Course = {
    length: 2 * Math.PI * radius,
    closed: true,
    at: (along, { stands }) =>
      plus(plus(centre, times(direction(along / radius), radius)), times(up, dot(minus(stands.move, centre), up))),
    way: (along) => direction(along / radius + Math.PI / 2),
    short: 'So they would go more than once round, by ',
  }
  const order = inOrder(
    bodies.map((body): OnCourse => {
      const from = minus(body.stands.move, centre)
      const [a, b] = [dot(from, zero), dot(from, quarter)]
      const angle = Math.atan2(b, a)
      return {
        body,
        along: radius * (angle < 0 ? angle + 2 * Math.PI : angle),
        distance: Math.abs(Math.hypot(a, b) - radius),
      }
    }),
    course,
  )
  return done({ axis, centre, radius, course, order })
}
