import type { Pattern, TouchUp } from './model/pattern'

/** Adds to a copy's touch-up; values that come to nothing are dropped, and with the last one the touch-up itself. */
export function touchUpCopy(pattern: Pattern, slot: string, change: TouchUp): void {
  const merged: TouchUp = { ...pattern.touchUps[slot], ...change }
  if (merged.move?.every((n) => n === 0)) delete merged.move
  if (merged.turn?.every((n) => n === 0)) delete merged.turn
  if (merged.size?.every((n) => n === 1)) delete merged.size
  for (const key of ['part', 'color', 'empty', 'held', 'unsettled'] as const)
    if (merged[key] === undefined) delete merged[key]
  if (Object.keys(merged).length === 0) delete pattern.touchUps[slot]
  else pattern.touchUps[slot] = merged
}
