import type { Pattern } from '../model/pattern'
import { type Step, isStep } from '../steps/index'
import type { Grade } from '../steps/grade/schema'

/** A step that gives all copies one size. */
const isOwnSize = (step: Step): step is Step & Grade =>
  isStep('grade', step) && step.what === 'size' && step.by === 'all' && !step.only

/** The size that all copies of a pattern have, as a factor: 1 where no step says another. */
export const ownSize = ({ steps }: Pattern): number => steps.find(isOwnSize)?.first ?? 1

/** Gives all copies of a pattern one size, by the step that says so, or a new one before all others. In place. */
export function setOwnSize(pattern: Pattern, to: number): void {
  const found = pattern.steps.find(isOwnSize)
  if (found) {
    found.first = to
    return
  }
  const taken = new Set(pattern.steps.map((step) => step.id))
  let n = 1
  while (taken.has(`size-${n}`)) n++
  pattern.steps.unshift({
    kind: 'grade',
    id: `size-${n}`,
    what: 'size',
    by: 'all',
    first: to,
    last: to,
    amount: 0.05,
    factor: 1,
    over: { kind: 'order' },
    easing: 'evenly',
  })
}
