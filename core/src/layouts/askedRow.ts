import type { AskedRow } from '../spacing/measured'
import type { Spacing } from '../values/spacing'
import type { SpacingOutcome } from './context'

/** What was asked along one direction, with what was left over of its room. */
export function askedOf({ measure, edges, leftover, hold, spacing }: Spacing, laid: SpacingOutcome): AskedRow {
  const inIntervals = leftover === 'widen' || leftover === 'tighten'
  return {
    measure,
    edges,
    // What is held is asked for, also where the intervals took the leftover.
    spacing: hold.includes('spacing') ? spacing : laid.spacing,
    leftover: inIntervals ? 0 : laid.leftover,
    spread: inIntervals ? laid.leftover : 0,
    isWorkedOut: !hold.includes('count'),
  }
}
