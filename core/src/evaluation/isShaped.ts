import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import { thingsUsed } from '../model/references'
import { byTouchUps } from '../steps/index'

/** Whether anything may size, turn or change a pattern's copies once they are laid out; what settles or clears them comes after. */
export function isShaped(pattern: Pattern, partOf: (id: string) => Part | undefined): boolean {
  const { steps, touchUps, fits, plain } = pattern
  if (byTouchUps(steps).before.length > 0 || fits || Object.keys(touchUps).length > 0) return true
  return [...thingsUsed(pattern)].some((id) => !plain?.includes(id) && (partOf(id)?.variation?.length ?? 0) > 0)
}
