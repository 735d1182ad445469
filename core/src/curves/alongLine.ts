import { type Quaternion, turnTowards } from '../geometry/rotation'
import { type Vec3, minus } from '../geometry/vec'

/** A length is taken to be whole steps where it lacks no more than this share of one. */
const FIT = 1e-9
const ACROSS: Vec3 = [1, 0, 0]

/** A place on a line, and the turn about up that brings across into its direction there. */
export interface PlaceAlong {
  readonly move: Vec3
  readonly turn: Quaternion
}

/** How long a line through points is, in metres. */
export const lengthThrough = (points: readonly Vec3[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(...minus(p, points[i])), 0)

/**
 * Places at equal steps along a straight line from point to point, measured on the line: ⌊length ÷ step⌋ + 1 of them, the first at its
 * start.
 *
 * @param points at least one, in metres
 * @param every the step, more than 0
 * @param most no more than so many places
 */
export function placesAlong(points: readonly Vec3[], every: number, most: number): PlaceAlong[] {
  const count = Math.min(most, Math.floor(lengthThrough(points) / every + FIT) + 1)
  const found: PlaceAlong[] = []
  let [piece, before] = [0, 0]
  for (let k = 0; k < count; k++) {
    // From its number, so that no place is the sum of rounded steps.
    const at = k * every
    const sizeOf = (i: number): number => Math.hypot(...minus(points[i + 1], points[i]))
    while (piece + 2 < points.length && at > before + sizeOf(piece)) before += sizeOf(piece++)
    const from = points[piece]
    const way: Vec3 = points.length > 1 ? minus(points[piece + 1], from) : ACROSS
    const share = points.length > 1 ? Math.min(1, (at - before) / (sizeOf(piece) || 1)) : 0
    const level: Vec3 = [way[0], 0, way[2]]
    const size = Math.hypot(...level)
    found.push({
      move: from.map((n, i) => n + share * way[i]) as Vec3,
      turn: size > 0 ? turnTowards(ACROSS, level.map((n) => n / size) as Vec3, Math.PI) : [0, 0, 0, 1],
    })
  }
  return found
}
