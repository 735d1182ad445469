import type { InstanceTable } from '../../instances'
import { gridPlaceOf } from '../../slots'
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
  const place = (row: number) => gridPlaceOf(table.slotLow[row], table.slotHigh[row])
  const bands: Band[] = [
    {
      key: 'across',
      direction: laid.across.direction,
      strip: stripAlong(table, laid.across.direction, supportOf, (row) => place(row)[1] === 0 && place(row)[2] === 0),
    },
    {
      key: 'deep',
      direction: laid.deep.direction,
      strip: stripAlong(table, laid.deep.direction, supportOf, (row) => place(row)[0] === 0 && place(row)[2] === 0),
    },
  ]
  if (laid.up.count > 1)
    bands.push({
      key: 'up',
      direction: laid.up.direction,
      strip: stripAlong(table, laid.up.direction, supportOf, (row) => place(row)[0] === 0 && place(row)[1] === 0),
    })
  return bands
}
