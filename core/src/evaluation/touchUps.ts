import { Flag, type InstanceTable } from '../instances'
import type { SurfaceFrames } from '../mirror/frames'
import type { TouchUp } from '../model/pattern'
import { compose, fromTurns } from '../geometry/rotation'

/**
 * Applies changes made by hand to the copies whose slots they name: an offset and a turn in the slot's own axes, factors
 * for its size, another part, a colour, or the place left empty. Slots that are not there at present keep their touch-ups waiting.
 *
 * @param indexOf counts a part's id into the project's parts
 * @param frames of the pattern, which say how its copies are coloured
 * @returns how many touch-ups found their copy, how many of these leave it empty, and how many hold it still
 */
export function applyTouchUps(
  table: InstanceTable,
  touchUps: Readonly<Record<string, TouchUp>>,
  indexOf: (id: string) => number,
  frames: SurfaceFrames,
): { touched: number; empty: number; held: number } {
  let [touched, empty, held] = [0, 0, 0]
  for (const [key, change] of Object.entries(touchUps)) {
    const row = table.rowOf(key)
    if (row < 0) continue
    applyOne(table, row, change, indexOf)
    if (change.color) table.surface[row] = frames.colored(table.surface[row], table.isTwin(row), change.color)
    touched++
    if (change.empty) empty++
    else if (change.held) held++
  }
  return { touched, empty, held }
}

function applyOne(table: InstanceTable, row: number, change: TouchUp, indexOf: (id: string) => number): void {
  const own = table.turnOf(row)
  if (change.move) table.moveInOwnAxes(row, change.move)
  if (change.turn) table.setTurn(row, compose(own, fromTurns(change.turn)))
  if (change.size) for (let i = 0; i < 3; i++) table.scale[3 * row + i] *= change.size[i]
  if (change.part) table.thing[row] = indexOf(change.part)
  table.flags[row] |=
    Flag.touched |
    (change.empty ? Flag.empty : 0) |
    (change.held ? Flag.held : 0) |
    (change.unsettled ? Flag.unsettled : 0)
}
