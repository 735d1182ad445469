import { type InstanceTable } from '../instances'
import type { Vec3 } from '../values/values'
import { type Support, supportOfCopy } from './support'

/**
 * A pattern unrolled along one direction: every copy that is there, in order along it, as it finally stands.
 * Lengths in metres from the pattern's origin.
 */
export interface Strip {
  readonly count: number
  /** Row of the copy in its table. */
  readonly row: Uint32Array
  readonly low: Float64Array
  readonly high: Float64Array
  readonly pivot: Float64Array
}

/**
 * Measures copies along a direction by their outlines, turned and sized as they are. Empty places are left out, so that
 * the gap beside one is the gap that is seen.
 *
 * @param wanted which rows; all of them when left out
 */
export function stripAlong(
  table: InstanceTable,
  direction: Readonly<Vec3>,
  supportOf: (thing: number) => Support,
  wanted: (row: number) => boolean = () => true,
): Strip {
  const { position, quaternion: q, scale: s, thing } = table
  const order: number[] = []
  for (let k = 0; k < table.count; k++) if (table.isPresent(k) && wanted(k)) order.push(k)
  const along = (k: number): number =>
    position[3 * k] * direction[0] + position[3 * k + 1] * direction[1] + position[3 * k + 2] * direction[2]
  let sorted = true
  for (let i = 1; i < order.length && sorted; i++) sorted = along(order[i]) >= along(order[i - 1])
  if (!sorted) order.sort((a, b) => along(a) - along(b))

  const count = order.length
  const strip = {
    count,
    row: Uint32Array.from(order),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: new Float64Array(count),
  }
  const plain = new Map<number, ReturnType<Support>>()
  for (let i = 0; i < count; i++) {
    const k = order[i]
    const isPlain = q[4 * k + 3] === 1 && s[3 * k] === 1 && s[3 * k + 1] === 1 && s[3 * k + 2] === 1
    let outline = isPlain ? plain.get(thing[k]) : undefined
    if (!outline) {
      outline = supportOfCopy(table, k, supportOf(thing[k]), direction)
      if (isPlain) plain.set(thing[k], outline)
    }
    const pivot = along(k)
    strip.pivot[i] = pivot
    strip.low[i] = pivot + outline.low
    strip.high[i] = pivot + outline.high
  }
  return strip
}
