import type { Support } from '../../spacing/support'
import { stripAlong } from '../../spacing/strip'
import type { Worked } from '../definition'
import type { Unrolled } from '../unrolled'
import type { LineOutcome } from './place'

/** A line lies flat. */
export const unrollLine = ({ table, laid }: Worked<LineOutcome>, supportOf: (thing: number) => Support): Unrolled => ({
  as: 'bands',
  bands: [{ key: 'along', direction: laid.direction, strip: stripAlong(table, laid.direction, supportOf) }],
})
