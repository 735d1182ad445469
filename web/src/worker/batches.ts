import { type InstanceTable } from '@hilera/core/instances'
import type { SurfaceFrame } from '@hilera/core/mirror/frames'
import { guiseNumber, guiseOf } from '@hilera/core/parts/guise'
import type { Batch } from './messages'

/**
 * A copy travels to the graphics side as ten floats: move, turn and size, as its table holds them. Matrices were tried: sixteen floats,
 * which the worker had to work out and the graphics side held twice, for surfaces and for ink.
 */
export const PLACED = 10

/**
 * So many copies are drawn by one call; where they all lie outside the picture it is left out. Neighbours in a table stand near each
 * other in most layouts, so that runs of it do. Sorting copies by place was tried: half as many were left out again in a fill, and it
 * took longer than working out a grid.
 */
export const CHUNK = 4096

/**
 * Sorts the copies of a table by the guise of their part as the stage draws them; what is not there is left out, and images stand
 * apart from what they are images of. Within each chunk the order is such that the first ones are always spread over all of it: to
 * draw fewer, fewer are asked for.
 *
 * @param own the pattern's own table, where `owner` gives for each row the row there that it came from
 */
export function batchesOf(
  table: InstanceTable,
  frames: readonly SurfaceFrame[],
  own: InstanceTable = table,
  owner?: Uint32Array,
): Batch[] {
  return rowsByGuise(table, own, owner).map(([key, rows]): Batch => {
    const drawn = spread(rows)
    const placed = new Float32Array(PLACED * drawn.length)
    for (let i = 0; i < drawn.length; i++) writePlaced(table, drawn[i], placed, PLACED * i)
    return {
      ...guiseOf(Math.floor(key / 2), frames),
      image: key % 2 === 1,
      rows: owner ? drawn.map((row) => owner[row]) : drawn,
      placed,
    }
  })
}

/** The rows of the copies that are there, by what tells their guises apart and whether they are images. */
function rowsByGuise(
  table: InstanceTable,
  own: InstanceTable,
  owner: Uint32Array | undefined,
): [number, Uint32Array][] {
  const { count } = table
  // The slots of images have their top bit set.
  const keyOf = (k: number): number => 2 * guiseNumber(table, k) + (own.slotHigh[owner ? owner[k] : k] >>> 31)
  const numbers = new Map<number, number>()
  const counts: number[] = []
  const groupOf = new Uint32Array(count)
  let [last, group] = [-1, 0]
  for (let k = 0; k < count; k++) {
    if (!table.isPresent(k)) continue
    const key = keyOf(k)
    if (key !== last) {
      last = key
      group = numbers.get(key) ?? numbers.size
      if (group === numbers.size) {
        numbers.set(key, group)
        counts.push(0)
      }
    }
    counts[group]++
    groupOf[k] = group + 1
  }
  const rows = counts.map((n) => new Uint32Array(n))
  const filled = new Uint32Array(counts.length)
  for (let k = 0; k < count; k++) {
    const at = groupOf[k]
    if (at > 0) rows[at - 1][filled[at - 1]++] = k
  }
  return [...numbers.keys()].map((key, i) => [key, rows[i]])
}

/** Rows chunk by chunk in steps of the golden section, whose first ones leave gaps of three widths at most (three-gap theorem). */
function spread(rows: Uint32Array): Uint32Array {
  const out = new Uint32Array(rows.length)
  for (let start = 0; start < rows.length; start += CHUNK) {
    const count = Math.min(CHUNK, rows.length - start)
    const step = coprimeNear(count * 0.6180339887498949, count)
    for (let i = 0, at = 0; i < count; i++) {
      out[start + i] = rows[start + at]
      at += step
      if (at >= count) at -= count
    }
  }
  return out
}

/** The whole number nearest below a value, at least 1, that has no divisor in common with a count. */
function coprimeNear(value: number, count: number): number {
  const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b))
  let step = Math.max(1, Math.floor(value))
  while (divisor(count, step) !== 1) step--
  return step
}

function writePlaced({ position, quaternion, scale }: InstanceTable, k: number, out: Float32Array, at: number): void {
  const [k3, k4] = [3 * k, 4 * k]
  out[at] = position[k3]
  out[at + 1] = position[k3 + 1]
  out[at + 2] = position[k3 + 2]
  out[at + 3] = quaternion[k4]
  out[at + 4] = quaternion[k4 + 1]
  out[at + 5] = quaternion[k4 + 2]
  out[at + 6] = quaternion[k4 + 3]
  out[at + 7] = scale[k3]
  out[at + 8] = scale[k3 + 1]
  out[at + 9] = scale[k3 + 2]
}
