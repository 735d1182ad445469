import type { Bodies } from './bodies'

const first = new Float64Array(3)
const second = new Float64Array(3)

/**
 * The farthest point of the Minkowski difference of two bodies along a direction: farthest of the first along it less farthest of the
 * second against it. Written to `out` at `at`.
 *
 * @param factor sizes both bodies about their pivots besides
 */
export function difference(
  bodies: Bodies,
  i: number,
  j: number,
  dx: number,
  dy: number,
  dz: number,
  out: Float64Array,
  at: number,
  factor: number,
): void {
  bodies.support(i, dx, dy, dz, first, 0, factor)
  bodies.support(j, -dx, -dy, -dz, second, 0, factor)
  out[at] = first[0] - second[0]
  out[at + 1] = first[1] - second[1]
  out[at + 2] = first[2] - second[2]
}
