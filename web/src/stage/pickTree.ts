import { type BoxTree, boxTreeOf } from '@hilera/core/geometry/boxTree'
import type { Batch } from '../worker/messages'
import type { PartDrawing } from './geometry'

/** A tree over the drawn copies of a pattern, in its own axes: of each item the batch, and its place in that. */
export interface PickTree {
  readonly tree: BoxTree
  readonly batch: Uint32Array
  readonly copy: Uint32Array
}

export function pickTreeOf(batches: readonly Batch[], drawings: readonly PartDrawing[]): PickTree {
  const count = batches.reduce((n, { rows }) => n + rows.length, 0)
  const boxes = new Float64Array(6 * count)
  const [batch, copy] = [new Uint32Array(count), new Uint32Array(count)]
  let item = 0
  for (const [i, { rows, matrices }] of batches.entries()) {
    const { surface } = drawings[i]
    if (!surface.boundingBox) surface.computeBoundingBox()
    const { min, max } = surface.boundingBox!
    const [low, high] = [min.toArray(), max.toArray()]
    for (let k = 0; k < rows.length; k++, item++) {
      batch[item] = i
      copy[item] = k
      boxOfPlaced(low, high, matrices, 16 * k, boxes, 6 * item)
    }
  }
  return { tree: boxTreeOf(boxes), batch, copy }
}

/** The box along the axes about a box that was placed: its middle, and its half sizes by the matrix without signs. */
function boxOfPlaced(
  low: readonly number[],
  high: readonly number[],
  m: Float32Array,
  at: number,
  out: Float64Array,
  to: number,
): void {
  for (let row = 0; row < 3; row++) {
    let [middle, half] = [m[at + 12 + row], 0]
    for (let column = 0; column < 3; column++) {
      const entry = m[at + 4 * column + row]
      middle += (entry * (low[column] + high[column])) / 2
      half += (Math.abs(entry) * (high[column] - low[column])) / 2
    }
    out[to + row] = middle - half
    out[to + 3 + row] = middle + half
  }
}
