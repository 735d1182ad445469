import type { InstanceTable } from '@hilera/core/instances'
import { movedPlacing } from '@hilera/core/motion/standing'
import type { Moved } from '@hilera/core/motion/state'
import { PLACED } from '../../worker/batches'

/** A copy that is not shown at a moment is drawn so small, and so far down that no picture has it. */
export const HIDDEN = 1e-9
const DOWN = -1e6

/**
 * Writes where a drawn copy is at a moment.
 *
 * @param rest the ten floats of each as they rest
 * @param row of the pattern's own table, about whose pivot it is moved
 */
export function writeMoved(
  rest: Float32Array,
  copy: number,
  table: InstanceTable,
  row: number,
  moved: Moved,
  out: Float32Array,
): void {
  const at = PLACED * copy
  if (!moved.shown) {
    out.set([0, DOWN, 0, 0, 0, 0, 1, HIDDEN, HIDDEN, HIDDEN], at)
    return
  }
  const { move, turn, size } = movedPlacing(
    table.moveOf(row),
    {
      move: [rest[at], rest[at + 1], rest[at + 2]],
      turn: [rest[at + 3], rest[at + 4], rest[at + 5], rest[at + 6]],
      size: [rest[at + 7], rest[at + 8], rest[at + 9]],
    },
    moved,
  )
  out.set(move, at)
  out.set(turn, at + 3)
  out.set(size, at + 7)
}
