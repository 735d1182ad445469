import type { Direction, Held, Measure, Spacing } from '../values/spacing'

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
 *
 * @param first how the first two stand to each other, read in all three ways; without it the number stays
 */
export function changeMeasure(line: Holding, measure: Measure, first?: Readonly<Record<Measure, number>>): void {
  if (first) line.spacing = first[measure]
  line.measure = measure
}
