import { type Measure, measures } from '../values/spacing'
import { Ruler } from './ruler'
import type { SpacingAnswer, SpacingQuestion } from './solve'

/**
 * The spacing that was asked for (or came out, where it was not), read in all three ways so that the last copy stays where it is:
 * with parts of one width nothing moves at all, with unlike ones the copies between may. A leftover that went into the intervals
 * is none of what was asked. Undefined for a single copy.
 */
export function readingsOf(
  question: SpacingQuestion,
  { count, spacing, ruler, lastBay }: SpacingAnswer,
): Readonly<Record<Measure, number>> | undefined {
  const regular = lastBay ? count - 1 : count
  if (regular < 2 || Number.isNaN(spacing)) return undefined
  const asked = question.hold.includes('spacing') ? question.spacing : spacing
  const far = ruler.pivot(regular - 1, asked)
  const read = (measure: Measure): number =>
    measure === question.measure
      ? asked
      : (far - new Ruler(ruler.row, measure, 'centres').pivot(regular - 1, 0)) / (regular - 1)
  return Object.fromEntries(measures.map((m) => [m, read(m)])) as Record<Measure, number>
}
