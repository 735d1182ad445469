import { type ArcLength, arcLengthOf } from '../curves/arcLength'
import { buildCurve } from '../curves/build'
import { NearestOnCurve, type NearestSpot } from '../curves/nearest'
import { UNTURNED, fromTurns, rotate } from '../geometry/rotation'
import { type Vec3, dot, minus } from '../geometry/vec'
import { definitionOf } from '../layouts/index'
import { inPattern, inWorld } from '../model/inWorld'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { type Result, done, refused } from '../words'
import type { Body } from './body'
import type { Space } from './space'
import { type OnCourse, type Course, inOrder } from './course'

/** The patterns along whose curve things can be spaced. */
export const pathsIn = ({ patterns }: Project): readonly Pattern[] =>
  patterns.filter(({ layout }) => definitionOf(layout).guide?.(layout) !== undefined)

/** Where things stand on the curve of a pattern. */
export interface StandOnPath {
  readonly pattern: Pattern
  /** Of the contour nearest to the one that leads; the curve has so many. */
  readonly course: Course
  readonly contours: number
  readonly order: readonly OnCourse[]
}

/**
 * Where things stand on a path, in their order along it.
 *
 * @param marked the one that leads: the nearest contour to it is taken
 * @returns refused where the path is gone, or is itself among them
 */
export function standOnPath(
  bodies: readonly Body[],
  marked: Body | undefined,
  { path }: Pick<Space, 'path'>,
  project: Project,
): Result<StandOnPath> {
  const pattern = pathsIn(project).find(({ id }) => id === path)
  const curve = pattern && definitionOf(pattern.layout).guide?.(pattern.layout)
  if (!curve) return refused('The path that they were spaced along is gone. Choose another.')
  if (bodies.some(({ of }) => of.is === 'patterns' && of.ids.includes(pattern.id)))
    return refused('The path is among them and would move with them. Leave it out, or choose another.')
  const built = buildCurve(curve)
  if (!built.ok) return built
  const own = ({ stands }: Body): Vec3 => inPattern(pattern, stands).move
  const lead = own(marked && bodies.includes(marked) ? marked : bodies[0])
  const found = built.value.map((contour) => {
    const arc = arcLengthOf(contour)
    const near = new NearestOnCurve(arc)
    return { arc, near, away: near.to(lead).distance }
  })
  const { arc, near } = found.reduce((best, one) => (one.away < best.away ? one : best))
  const turn = fromTurns(pattern.place.turn)
  const course: Course = {
    length: arc.length,
    closed: arc.contour.closed,
    at: (along) => inWorld(pattern, { move: arc.at(along).point, turn: UNTURNED, size: [1, 1, 1] }).move,
    way: (along) => rotate(turn, arc.at(along).tangent),
    short: 'The path is too short for that, by ',
  }
  const order = inOrder(
    bodies.map((body): OnCourse => {
      const { length, distance } = sharpened(arc, own(body), near.to(own(body)))
      return { body, along: length, distance }
    }),
    course,
  )
  return done({ pattern, course, contours: built.value.length, order })
}

/**
 * The nearest place of a contour, where it is known to a millionth, to the last digits: what the way to the point is along the curve is
 * gone along it (a fixed point, which closes in where the point is nearer than the curve's centre).
 */
function sharpened(arc: ArcLength, point: Readonly<Vec3>, rough: NearestSpot): NearestSpot {
  const at = (length: number): NearestSpot & { readonly missing: number } => {
    const { point: on, tangent } = arc.at(length)
    const way = minus(point, on)
    return { length, distance: Math.hypot(...way), missing: dot(way, tangent) }
  }
  let best = at(rough.length)
  for (let i = 0; i < 4; i++) {
    const to = best.length + best.missing
    const next = at(arc.contour.closed ? to : Math.min(Math.max(to, 0), arc.length))
    if (next.distance > best.distance) break
    best = next
  }
  return { length: best.length, distance: best.distance }
}
