import type { Pattern } from '../../model/pattern'
import type { Quantity } from '../../numbers/units'
import type { PatternNumber } from '../../sentences/patternNumbers'
import type { Change } from './schema'

/** From where a number begins to change, to what it is now: something that is seen. */
function startOf(now: number, quantity: Quantity): number {
  if (quantity === 'count') return Math.min(Math.max(Math.round(now / 4), 1), Math.round(now))
  if (now !== 0) return now / 2
  return quantity === 'length' ? -0.1 : quantity === 'angle' ? -Math.PI / 2 : 0
}

/** Lets a change be of another number of its pattern: it goes to what that is now. */
/** Another seed than what it is now. */
const seedBeside = (now: number): number => (now > 0 ? now - 1 : 1)

export function startChange(change: Change, number: PatternNumber, pattern: Pattern): void {
  const now = number.read(pattern)
  change.of = number.of
  change.value = number.label
  change.quantity = number.quantity
  change.from = { at: change.from.at, value: number.writeSeed ? seedBeside(now) : startOf(now, number.quantity) }
  change.keys = [{ ...change.keys[0], value: now }]
}
