import { Flag, type InstanceTable } from '../instances'
import type { Part } from '../model/part'
import type { Vec3 } from '../model/values'
import { type Quaternion, inverse, rotate } from '../rotation'
import { outlineAlong } from '../solids/outline'
import type { Mesh } from '../solids/mesh'

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
 * Measures the copies along a direction by their outlines, turned and sized as they are. Empty places are left out, so
 * that the gap beside one is the gap that is seen.
 */
export function stripAlong(
  table: InstanceTable,
  direction: Vec3,
  parts: readonly Part[],
  meshOf: (part: Part) => Mesh | undefined,
): Strip {
  const { position, quaternion: q, scale, part, flags } = table
  const order: number[] = []
  for (let k = 0; k < table.count; k++) if (!(flags[k] & Flag.empty)) order.push(k)
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
  const plain = parts.map((p) => ({ part: p, outline: undefined as ReturnType<typeof outlineAlong> | undefined }))
  for (let i = 0; i < count; i++) {
    const k = order[i]
    const kind = plain[part[k]]
    let outline
    if (flags[k] & Flag.touched) {
      const turn: Quaternion = [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]]
      const [x, y, z] = rotate(inverse(turn), direction)
      outline = outlineAlong(
        kind.part.shape,
        [x * scale[3 * k], y * scale[3 * k + 1], z * scale[3 * k + 2]],
        meshOf(kind.part),
      )
    } else {
      outline = kind.outline ??= outlineAlong(kind.part.shape, direction, meshOf(kind.part))
    }
    const pivot = along(k)
    strip.pivot[i] = pivot
    strip.low[i] = pivot + outline.low
    strip.high[i] = pivot + outline.high
  }
  return strip
}
