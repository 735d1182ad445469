import type { InstanceTable } from '../instances'
import { type Pick, type PickContext, type Taker, keysTaken, takerOf } from './pick'

/** One condition of a selection, and how it joins those said before it; that of the first one is only whether it is turned round. */
export interface Condition {
  readonly joint: Joint
  readonly pick: Pick
}
export const joints = ['and', 'and not', 'or', 'or not'] as const
export type Joint = (typeof joints)[number]

/**
 * The slots of a pattern's copies that hold several conditions, as keys, in their order. They are joined as they are said, from the
 * first to the last: "a or b and c" is what is in a or b, and in c. A share or a number counts all copies of the pattern, whatever
 * is said beside it, so that the order of two that are joined by "and" changes nothing.
 *
 * @param conditions at least one
 */
export function pickCombined(
  table: InstanceTable,
  patternId: string,
  conditions: readonly Condition[],
  context: PickContext = {},
): string[] {
  const [first, ...more] = conditions.map(({ joint, pick }) => {
    const takes = takerOf(table, patternId, pick, context)
    return { joint, takes: joint.endsWith('not') ? (k: number) => !takes(k) : takes }
  })
  const takes = more.reduce<Taker>(
    (before, { joint, takes }) =>
      joint.startsWith('and') ? (k) => before(k) && takes(k) : (k) => before(k) || takes(k),
    first.takes,
  )
  return keysTaken(table, takes)
}
