import type { InstanceTable } from '../../instances'
import { gridNumberOf } from '../../slots'
import { stripAlong } from '../../spacing/strip'
import type { Support } from '../../spacing/support'
import type { Worked } from '../definition'
import type { Band, Unrolled } from '../unrolled'
import type { GridOutcome } from './place'

/** A grid has a band for each direction. */
export const unrollGrid = ({ table, laid }: Worked<GridOutcome>, supportOf: (thing: number) => Support): Unrolled => ({
  as: 'bands',
  bands: gridBands(table, laid, supportOf),
})

/** The first row, the first column and the first stack of a grid. */
function gridBands(table: InstanceTable, laid: GridOutcome, supportOf: (thing: number) => Support): Band[] {
  const { slotLow, slotHigh } = table
  const isFirst = (row: number, which: number): boolean => gridNumberOf(which, slotLow[row], slotHigh[row]) === 0
  const bandAlong = (key: 'across' | 'deep' | 'up', a: number, b: number): Band => ({
    key,
    direction: laid[key].direction,
    strip: stripAlong(table, laid[key].direction, supportOf, (row) => isFirst(row, a) && isFirst(row, b)),
  })
  const bands = [bandAlong('across', 1, 2), bandAlong('deep', 0, 2)]
  if (laid.up.count > 1) bands.push(bandAlong('up', 0, 1))
  return bands
}
