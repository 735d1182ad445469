import type { InstanceTable } from '../instances'
import { type Moved, RESTS } from './state'

/** A copy that is not shown is so small, and so far down that no picture has it. */
export const HIDDEN = 1e-9
const DOWN = -1e6

/**
 * Writes where a drawn piece is while the copy that it belongs to is moved: ten floats, its move, turn and size, in its pattern's axes. Without
 * allocation: it is called for every copy of every picture.
 *
 * @param table the pattern's own; `row` in it is the copy about whose pivot it is moved
 * @param rest the same ten floats as it rests, from `at` on
 */
export function placedAt(
  moved: Moved,
  table: InstanceTable,
  row: number,
  rest: Float32Array,
  at: number,
  out: Float32Array,
): void {
  if (moved === RESTS) {
    for (let i = at; i < at + 10; i++) out[i] = rest[i]
    return
  }
  if (!moved.shown) {
    for (let i = at; i < at + 10; i++) out[i] = 0
    out[at + 1] = DOWN
    out[at + 6] = 1
    out[at + 7] = out[at + 8] = out[at + 9] = HIDDEN
    return
  }
  // By indices: taking arrays apart by name costs as much here as all of the sums.
  const { move, turn, size } = moved
  const { position } = table
  const x = turn[0]
  const y = turn[1]
  const z = turn[2]
  const w = turn[3]
  const p = 3 * row
  const px = position[p]
  const py = position[p + 1]
  const pz = position[p + 2]
  const vx = size * (rest[at] - px)
  const vy = size * (rest[at + 1] - py)
  const vz = size * (rest[at + 2] - pz)
  // v + 2 u × (u × v + w v), u the vector part.
  const cx = y * vz - z * vy + w * vx
  const cy = z * vx - x * vz + w * vy
  const cz = x * vy - y * vx + w * vz
  out[at] = px + move[0] + vx + 2 * (y * cz - z * cy)
  out[at + 1] = py + move[1] + vy + 2 * (z * cx - x * cz)
  out[at + 2] = pz + move[2] + vz + 2 * (x * cy - y * cx)
  const a = rest[at + 3]
  const b = rest[at + 4]
  const c = rest[at + 5]
  const d = rest[at + 6]
  out[at + 3] = w * a + x * d + y * c - z * b
  out[at + 4] = w * b - x * c + y * d + z * a
  out[at + 5] = w * c + x * b - y * a + z * d
  out[at + 6] = w * d - x * a - y * b - z * c
  for (let i = at + 7; i < at + 10; i++) out[i] = rest[i] * size
}
