import { dot } from '../geometry/vec'
import type { Strip } from '../spacing/strip'
import type { Body } from './body'
import type { Straightened } from './space'

/**
 * Things along a curve as a strip: the curve pulled straight in true length, each of them with its reach along the way.
 *
 * @param bodies in their order along it
 * @param rowOf the row of each in the table that the strip is drawn from
 */
export function straightenedStrip(
  bodies: readonly Body[],
  { along, ways, begins }: Straightened,
  rowOf: (k: number) => number,
): Strip {
  const pivot = Float64Array.from(bodies, (_, k) => along[k] - begins)
  const reach = bodies.map((body, k) => {
    const { low, high } = body.reach(ways[k])
    const at = pivot[k] - dot(body.stands.move, ways[k])
    return { low: at + low, high: at + high }
  })
  return {
    count: bodies.length,
    row: Uint32Array.from(bodies, (_, k) => rowOf(k)),
    low: Float64Array.from(reach, ({ low }) => low),
    high: Float64Array.from(reach, ({ high }) => high),
    pivot,
  }
}
