import type { Part } from '../model/part'
import type { Pattern, TouchUp } from '../model/pattern'
import { thingsUsed } from '../model/references'
import { byTouchUps } from '../steps/index'

/** Whether what was done by hand reaches what is seen of a copy beside its colour. */
const shapes = (touch: TouchUp): boolean => Object.keys(touch).some((key) => key !== 'color')

/** Whether anything may size, turn or change a pattern's copies once they are laid out; what settles or clears them comes after. */
export function isShaped(pattern: Pattern, partOf: (id: string) => Part | undefined): boolean {
  const { steps, touchUps, fits, plain } = pattern
  if (byTouchUps(steps).before.length > 0 || fits || Object.values(touchUps).some(shapes)) return true
  return [...thingsUsed(pattern)].some((id) => !plain?.includes(id) && (partOf(id)?.variation?.length ?? 0) > 0)
}
