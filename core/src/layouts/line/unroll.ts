import type { Support } from '../../spacing/support'
import type { Worked } from '../definition'
import type { Unrolled } from '../unrolled'
import type { LineOutcome } from './place'
import { stripOfLine } from './strip'

/** A line lies flat. */
export const unrollLine = (worked: Worked<LineOutcome>, supportOf: (thing: number) => Support): Unrolled => ({
  as: 'bands',
  bands: [{ key: 'along', direction: worked.laid.direction, strip: stripOfLine(worked, supportOf) }],
})
