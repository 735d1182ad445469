import type { Direction, Held, Spacing } from '../values/spacing'

/** What says which two are held, in a line or along one direction of a grid. */
type Holding = Pick<Spacing, 'hold' | 'count' | 'spacing' | 'room'> & { direction?: Direction }

/** Lets go of one of three that are held two at a time: the one that was not held is, in its place. Changes the hold in place. */
export function letGo<T extends string>(value: { hold: [T, T] }, which: T, all: readonly T[]): void {
  if (!value.hold.includes(which)) return
  const third = all.find((one) => !value.hold.includes(one))
  const other = value.hold.find((one) => one !== which)
  if (third !== undefined && other !== undefined) value.hold = [third, other]
}

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
