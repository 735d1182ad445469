import type { Direction, Spacing } from '../values/spacing'
import type { Measure } from '../values/spacing'
import type { Held } from '../values/spacing'
import type { SpacingAnswer } from './solve'

/** What says which two are held, in a line or along one direction of a grid. */
type Holding = Pick<Spacing, 'hold' | 'count' | 'spacing' | 'room' | 'measure'> & { direction?: Direction }

/**
 * Takes hold of one of count, spacing and room and gives it a value. If it was the one worked out, the one untouched
 * longest is let go; if it was held already, it becomes the one touched last. A line by amounts keeps its step held.
 * Changes the line in place.
 */
export function takeHold(line: Holding, which: Held, value: number): void {
  line[which] = value
  const other = line.hold.find((held) => held !== which && line.hold[1] === held) ?? line.hold[0]
  const keep = line.direction?.kind === 'amounts' && which !== 'spacing' ? 'spacing' : other
  line.hold = [keep, which]
}

/**
 * Reads the spacing in another measure so that nothing moves: with parts of one width exactly, with unequal parts the
 * first pair keeps its place. Changes the line in place.
 */
export function changeMeasure(line: Holding, measure: Measure, answer: Pick<SpacingAnswer, 'ruler' | 'spacing'>): void {
  const [pair] = [...answer.ruler.row.pairs(2)]
  const spacing = Number.isNaN(answer.spacing) ? line.spacing : answer.spacing
  const [a, b] = pair ?? [0, 0]
  line.spacing = answer.ruler[measure](a, b, spacing)
  line.measure = measure
}
