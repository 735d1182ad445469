import { Flag, type InstanceTable, slotOfKey } from './instances'
import type { TouchUp } from './model/pattern'
import { compose, fromTurns, rotate } from './rotation'

/**
 * Applies changes made by hand to the copies whose slots they name: an offset and a turn in the slot's own axes, factors
 * for its size, another part, or the place left empty. Slots that are not there at present keep their touch-ups waiting.
 *
 * @param indexOf counts a part's id into the project's parts
 * @returns how many touch-ups found their copy, and how many of these leave it empty
 */
export function applyTouchUps(
  table: InstanceTable,
  touchUps: Readonly<Record<string, TouchUp>>,
  indexOf: (id: string) => number,
): { touched: number; empty: number } {
  let [touched, empty] = [0, 0]
  for (const [key, change] of Object.entries(touchUps)) {
    const row = rowOfSlot(table, ...slotOfKey(key))
    if (row < 0) continue
    applyOne(table, row, change, indexOf)
    touched++
    if (change.empty) empty++
  }
  return { touched, empty }
}

/** The row of a slot, or −1. Most layouts keep slot k in row k, so that is looked at first. */
export function rowOfSlot(table: InstanceTable, low: number, high: number): number {
  const { slotLow, slotHigh, count } = table
  if (low < count && slotLow[low] === low && slotHigh[low] === high) return low
  for (let k = 0; k < count; k++) if (slotLow[k] === low && slotHigh[k] === high) return k
  return -1
}

function applyOne(table: InstanceTable, row: number, change: TouchUp, indexOf: (id: string) => number): void {
  const { position, quaternion, scale, part, flags } = table
  const [p, q] = [3 * row, 4 * row]
  const own = [quaternion[q], quaternion[q + 1], quaternion[q + 2], quaternion[q + 3]] as const
  if (change.move) {
    const moved = rotate(own, change.move)
    for (let i = 0; i < 3; i++) position[p + i] += moved[i]
  }
  if (change.turn) quaternion.set(compose(own, fromTurns(change.turn)), q)
  if (change.size) for (let i = 0; i < 3; i++) scale[p + i] *= change.size[i]
  if (change.part) part[row] = indexOf(change.part)
  flags[row] |= Flag.touched | (change.empty ? Flag.empty : 0) | (change.held ? Flag.held : 0)
}
