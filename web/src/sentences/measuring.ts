import type { Measured } from '@hilera/core/sentences/nodes'

interface Known {
  /** As it was left when it was last read in another way. */
  readonly now: Readonly<Measured>
  readonly asked: ReadonlyMap<string, number>
}
const known = new Map<string, Known>()

/**
 * Reads a spacing in another measure. What was asked in a measure before is what is asked when it is read in that one again:
 * there and back is nothing, though a count had been evened out, or unlike copies have no one pitch for their gap.
 *
 * @param key tells this spacing from all others
 * @param measure the way in which it is to be read
 * @param converted what it comes to in that way; the number stays where nothing is known of it
 * @returns what is done to the spacing; it may be done again to another state of it
 */
export function reading(
  key: string,
  before: Readonly<Measured>,
  measure: string,
  converted: number | undefined,
): (spacing: Measured) => void {
  const last = known.get(key)
  const goesOn = last?.now.measure === before.measure && last.now.spacing === before.spacing
  const asked = new Map(goesOn ? last.asked : []).set(before.measure, before.spacing)
  const spacing = asked.get(measure) ?? converted ?? before.spacing
  asked.set(measure, spacing)
  known.set(key, { now: { measure, spacing }, asked })
  return (s) => void Object.assign(s, { measure, spacing })
}
