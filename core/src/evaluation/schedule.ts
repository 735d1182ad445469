import { type Support, boxOf } from '../spacing/support'
import type { Range } from '../words'
import type { PatternOutcome } from './outcome'

/** One part of a schedule. Lengths in metres. */
export interface ScheduleRow {
  /** The thing, as tables count them. */
  readonly thing: number
  /** Its copies that stand, and how many of them are twins. */
  readonly count: number
  readonly twins: number
  /** How wide, tall and deep they are in their own axes, as they are sized: the smallest and the largest. */
  readonly size: readonly [Range, Range, Range]
}

/**
 * Parts with their counts and sizes: the schedule of some patterns, in the order in which the parts stand in the project. An
 * assembly is one part; copies of a pattern that is repeated are counted each; empty places are not.
 *
 * @param outcomes the patterns that are counted
 */
export function scheduleOf(
  outcomes: readonly Pick<PatternOutcome, 'copies'>[],
  supportOf: (thing: number) => Support,
): ScheduleRow[] {
  const rows = new Map<number, { count: number; twins: number; low: number[]; high: number[] }>()
  for (const { copies } of outcomes) {
    for (let k = 0; k < copies.count; k++) {
      if (!copies.isPresent(k)) continue
      const thing = copies.thing[k]
      let row = rows.get(thing)
      if (!row) {
        row = { count: 0, twins: 0, low: [Infinity, Infinity, Infinity], high: [0, 0, 0] }
        rows.set(thing, row)
      }
      row.count++
      if (copies.isTwin(k)) row.twins++
      for (let i = 0; i < 3; i++) {
        const factor = copies.scale[3 * k + i]
        if (factor < row.low[i]) row.low[i] = factor
        if (factor > row.high[i]) row.high[i] = factor
      }
    }
  }
  return [...rows]
    .sort(([a], [b]) => a - b)
    .map(([thing, { count, twins, low, high }]) => {
      const box = boxOf(supportOf(thing))
      const along = (i: number): Range => {
        const own = box.high[i] - box.low[i]
        return [low[i] * own, high[i] * own]
      }
      return { thing, count, twins, size: [along(0), along(1), along(2)] }
    })
}
