import type { Pattern, TouchUp } from './model/pattern'
import type { Vec3 } from './values/values'
import { type Quaternion, fromTurns, inverse, rotate } from './geometry/rotation'

/** Adds to a copy's touch-up; values that come to nothing are dropped, and with the last one the touch-up itself. */
export function touchUpCopy(pattern: Pattern, slot: string, change: TouchUp): void {
  const merged: TouchUp = { ...pattern.touchUps[slot], ...change }
  if (merged.move?.every((n) => n === 0)) delete merged.move
  if (merged.turn?.every((n) => n === 0)) delete merged.turn
  if (merged.size?.every((n) => n === 1)) delete merged.size
  for (const key of ['part', 'empty', 'held'] as const) if (merged[key] === undefined) delete merged[key]
  if (Object.keys(merged).length === 0) delete pattern.touchUps[slot]
  else pattern.touchUps[slot] = merged
}

/**
 * A move in the world as a move in the slot's own axes.
 *
 * @param copy the copy's quaternion in its pattern, its own touch-up's turn included
 * @param touch the touch-up's turn, taken off again
 */
export function moveInSlot(pattern: Pattern, copy: Quaternion, touch: Vec3 | undefined, moved: Vec3): Vec3 {
  const inPattern = rotate(inverse(fromTurns(pattern.place.turn)), moved)
  const own = rotate(inverse(copy), inPattern)
  return touch ? rotate(fromTurns(touch), own) : own
}
