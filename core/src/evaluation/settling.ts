import { Flag, type InstanceTable } from '../instances'
import { type Step, isStep } from '../steps/index'
import type { Facts } from '../words'

/** So often copies that were pushed apart over their ground are brought back onto it and looked at again. */
const MOST = 6

/**
 * What settles and clears, in order. Copies that are pushed apart over the ground slide along what they stand on: they settle anew
 * after each pushing, until neither changes them any more, and what is told is that of the last time.
 *
 * @param apply applies one step to the table
 */
export function settleAndClear(
  steps: readonly Step[],
  table: InstanceTable,
  told: Told,
  apply: (step: Step) => void,
): void {
  const settling = steps.filter((step) => isStep('settle', step))
  // How they stood before they leaned: settled anew they lean from there.
  const turns = settling.length > 0 ? table.quaternion.slice(0, 4 * table.count) : undefined
  const settleAnew = (): void => {
    if (turns) table.quaternion.set(turns)
    for (const again of settling) apply(again)
  }
  for (const step of steps) {
    apply(step)
    const pushed = { facts: told.stepFacts[step.id], byRound: told.rounds[step.id] }
    // Lifted off on purpose they would only be dropped again.
    const slides = settling.length > 0 && isStep('clear', step) && step.how === 'push' && !step.axes.up
    for (let n = 0; slides && n < MOST; n++) {
      const before = table.position.slice(0, 3 * table.count)
      settleAnew()
      if (!differs(before, table, step.within)) break
      apply(step)
    }
    if (slides) {
      settleAnew()
      if (pushed.byRound?.length) tellOfPushing(told, step.id, pushed)
    }
  }
}

/** What is told of steps. */
interface Told {
  readonly stepFacts: Record<string, Facts>
  readonly rounds: Record<string, readonly number[]>
}

/** That they were pushed is told of the first time, how near they are to each other of the last. */
function tellOfPushing(
  { stepFacts, rounds }: Told,
  id: string,
  { facts, byRound }: { readonly facts: Facts; readonly byRound: readonly number[] | undefined },
): void {
  // Who had nothing to do the last time is clear.
  if ((rounds[id] ?? []).length > 0) return
  const last = stepFacts[id]
  stepFacts[id] = facts.map((f) => (f.about === 'gap' ? (last.find((l) => l.about === 'gap') ?? f) : f))
  if (byRound) rounds[id] = byRound
}

/** Whether any copy that may move has moved by more than what clearing lets pass. */
function differs(before: Float64Array, table: InstanceTable, within: number): boolean {
  for (let k = 0; k < table.count; k++) {
    if (table.flags[k] & Flag.unsettled) continue
    for (let i = 3 * k; i < 3 * k + 3; i++) if (Math.abs(before[i] - table.position[i]) > within) return true
  }
  return false
}
