import type { Support } from '../../spacing/support'
import { type Strip, stripAlong } from '../../spacing/strip'
import type { Worked } from '../definition'
import type { LineOutcome } from './place'

/** Strips by what their lines came out as. */
const measured = new WeakMap<Worked<LineOutcome>, Strip>()

/**
 * The copies of a line along it, as they stand. Facts and strip are told of the same copies one after the other, and of a crowd measuring
 * is most of the work: it is done once for what the line came out as.
 */
export function stripOfLine(worked: Worked<LineOutcome>, supportOf: (thing: number) => Support): Strip {
  const known = measured.get(worked)
  if (known) return known
  const strip = stripAlong(worked.table, worked.laid.direction, supportOf)
  measured.set(worked, strip)
  return strip
}
