import type { InstanceTable } from '../../instances'
import { gridPlaceOf } from '../../slots'
import type { Support } from '../../spacing/support'
import type { Worked } from '../definition'
import type { PulledPath, Unrolled } from '../unrolled'
import type { PathOutcome } from './place'
import type { Path } from './schema'

/** A path is pulled straight in true length. */
export const unrollPath = (
  { reverse }: Path,
  { table, laid, along }: Worked<PathOutcome>,
  supportOf: (thing: number) => Support,
): Unrolled => ({ as: 'path', ...pulledPath(table, laid, supportOf, reverse ? -1 : 1, along) })

/** Places along the path as they were worked out, and then cleared; what a copy takes up is its reach along its own front, sized as it is. */
function pulledPath(
  table: InstanceTable,
  laid: PathOutcome,
  supportOf: (thing: number) => Support,
  sense: 1 | -1,
  moved?: Float64Array,
): PulledPath {
  const starts: number[] = []
  laid.contours.reduce((n, contour) => (starts.push(n), n + contour.copies), 0)
  const rows: { row: number; along: number }[] = []
  for (let row = 0; row < table.count; row++) {
    if (!table.isPresent(row)) continue
    const [k, contour] = gridPlaceOf(table.slotLow[row], table.slotHigh[row])
    rows.push({ row, along: laid.lengths[starts[contour] + k] + sense * (moved?.[row] ?? 0) })
  }
  rows.sort((a, b) => a.along - b.along)
  const count = rows.length
  const strip = {
    count,
    row: Uint32Array.from(rows, (r) => r.row),
    low: new Float64Array(count),
    high: new Float64Array(count),
    pivot: Float64Array.from(rows, (r) => r.along),
  }
  for (const [i, { row, along }] of rows.entries()) {
    const { low, high } = supportOf(table.thing[row])([0, 0, table.scale[3 * row + 2]])
    strip.low[i] = along + low
    strip.high[i] = along + high
  }
  return {
    strip,
    length: laid.length,
    corners: laid.contours.flatMap((c) => c.corners.map((s) => c.from + s)),
    breaks: laid.contours.slice(1).map((c) => c.from),
  }
}
