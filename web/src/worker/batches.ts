import { Flag, type InstanceTable } from '@hilera/core/instances'
import type { Batch } from './messages'

/**
 * Sorts the copies of a table by part and writes their matrices for the stage; empty places are left out.
 *
 * @param owner for each row the row of the pattern's own table that it came from; the row itself when left out
 */
export function batchesOf(table: InstanceTable, owner?: Uint32Array): Batch[] {
  const { count, part, flags } = table
  const counts = new Map<number, number>()
  for (let k = 0; k < count; k++) if (!(flags[k] & Flag.empty)) counts.set(part[k], (counts.get(part[k]) ?? 0) + 1)
  const batches = new Map<number, Batch & { filled: number }>()
  for (const [index, n] of counts) {
    batches.set(index, { part: index, rows: new Uint32Array(n), matrices: new Float32Array(16 * n), filled: 0 })
  }
  for (let k = 0; k < count; k++) {
    if (flags[k] & Flag.empty) continue
    const batch = batches.get(part[k])!
    const at = batch.filled++
    batch.rows[at] = owner ? owner[k] : k
    writeMatrix(table, k, batch.matrices, 16 * at)
  }
  return [...batches.values()].map(({ part: index, rows, matrices }) => ({ part: index, rows, matrices }))
}

/** One copy's move, turn and size as a 4 × 4 matrix in columns. */
export function writeMatrix(
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
