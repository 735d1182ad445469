import type { Vec3 } from '../geometry/vec'
import type { InstanceTable } from '../instances'

/**
 * The rows of a table whose pivots stand nearest to a place in its axes.
 *
 * @param count so many at the most
 * @param is which rows come into question, of those that are present
 */
export function nearestRows(
  table: InstanceTable,
  [x, y, z]: Readonly<Vec3>,
  count: number,
  is: (row: number) => boolean,
): Set<number> {
  const { position: p } = table
  const found: { readonly row: number; readonly away: number }[] = []
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k) || !is(k)) continue
    const away = (p[3 * k] - x) ** 2 + (p[3 * k + 1] - y) ** 2 + (p[3 * k + 2] - z) ** 2
    const last = found.length - 1
    if (found.length === count && away >= found[last].away) continue
    if (found.length === count) found.pop()
    let at = found.length
    while (at > 0 && found[at - 1].away > away) at--
    found.splice(at, 0, { row: k, away })
  }
  return new Set(found.map(({ row }) => row))
}
