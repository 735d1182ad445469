import { type InstanceTable } from '@hilera/core/instances'
import type { SurfaceFrame } from '@hilera/core/mirror/frames'
import { guiseNumber, guiseOf } from '@hilera/core/parts/guise'
import type { Batch } from './messages'

/**
 * Sorts the copies of a table by the guise of their part and writes their matrices for the stage; what is not there is left
 * out, and images stand apart from what they are images of.
 *
 * @param own the pattern's own table, where `owner` gives for each row the row there that it came from
 */
export function batchesOf(
  table: InstanceTable,
  frames: readonly SurfaceFrame[],
  own: InstanceTable = table,
  owner?: Uint32Array,
): Batch[] {
  const { count } = table
  const rowOf = (k: number): number => (owner ? owner[k] : k)
  // The slots of images have their top bit set.
  const keyOf = (k: number): number => 2 * guiseNumber(table, k) + (own.slotHigh[rowOf(k)] >>> 31)
  const counts = new Map<number, number>()
  for (let k = 0; k < count; k++) {
    if (!table.isPresent(k)) continue
    const key = keyOf(k)
    counts.set(key, (counts.get(key) ?? 0) + 1)
  }
  const batches = new Map<number, Batch>()
  for (const [key, n] of counts)
    batches.set(key, {
      ...guiseOf(Math.floor(key / 2), frames),
      image: key % 2 === 1,
      rows: new Uint32Array(n),
      matrices: new Float32Array(16 * n),
    })
  const filled = new Map<number, number>()
  for (let k = 0; k < count; k++) {
    if (!table.isPresent(k)) continue
    const key = keyOf(k)
    const at = filled.get(key) ?? 0
    filled.set(key, at + 1)
    const { rows, matrices } = batches.get(key)!
    rows[at] = rowOf(k)
    writeMatrix(table, k, matrices, 16 * at)
  }
  return [...batches.values()]
}

/** One copy's move, turn and size as a 4 × 4 matrix in columns. */
function writeMatrix(
  { position: p, quaternion: q, scale: s }: InstanceTable,
  k: number,
  out: Float32Array | number[],
  at = 0,
): void {
  const [k3, k4] = [3 * k, 4 * k]
  const [x, y, z, w] = [q[k4], q[k4 + 1], q[k4 + 2], q[k4 + 3]]
  const [sx, sy, sz] = [s[k3], s[k3 + 1], s[k3 + 2]]
  out[at] = (1 - 2 * (y * y + z * z)) * sx
  out[at + 1] = 2 * (x * y + w * z) * sx
  out[at + 2] = 2 * (x * z - w * y) * sx
  out[at + 3] = 0
  out[at + 4] = 2 * (x * y - w * z) * sy
  out[at + 5] = (1 - 2 * (x * x + z * z)) * sy
  out[at + 6] = 2 * (y * z + w * x) * sy
  out[at + 7] = 0
  out[at + 8] = 2 * (x * z + w * y) * sz
  out[at + 9] = 2 * (y * z - w * x) * sz
  out[at + 10] = (1 - 2 * (x * x + y * y)) * sz
  out[at + 11] = 0
  out[at + 12] = p[k3]
  out[at + 13] = p[k3 + 1]
  out[at + 14] = p[k3 + 2]
  out[at + 15] = 1
}
