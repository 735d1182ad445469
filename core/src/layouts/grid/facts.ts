import type { InstanceTable } from '../../instances'
import { gridNumberOf } from '../../slots'
import { measureRows, rowFacts } from '../../spacing/measured'
import { type Strip, stripsAlong } from '../../spacing/strip'
import { type Fact, type Facts, fact } from '../../words'
import { askedOf } from '../askedRow'
import type { Things, Worked } from '../definition'
import type { GridOutcome } from './place'
import type { Grid } from './schema'

const BECAUSE = {
  across: ': a column is as wide as its widest',
  deep: ': a row is as deep as its deepest',
  up: ': a layer is as high as its highest',
}

const WAYS = ['across', 'deep', 'up'] as const

/** What a grid comes to in each direction, measured over all its rows, columns and stacks as they stand. */
export function gridFacts(grid: Grid, { table, laid }: Worked<GridOutcome>, things: Things): Facts {
  const out: Fact[] = []
  for (const [which, name] of WAYS.entries()) {
    const own = laid[name]
    if (own.count < 2) continue
    const spacing =
      name === 'deep' && grid.rows.kind === 'hexagonal'
        ? { ...grid[name], measure: 'pitch' as const, spacing: own.spacing }
        : grid[name]
    const asked = { ...askedOf(spacing, own), because: BECAUSE[name] }
    const [run, ...rest] = rowFacts(asked, measureRows(lanes(table, laid, which, things), asked.edges, own.lastBay))
    // The run stands without its verb after the name of the direction.
    out.push({ about: `${name} ${run.about}`, says: [`${name}: `, ...run.says.slice(1)] })
    out.push(...rest.map(({ about, says }) => ({ about: `${name} ${about}`, says })))
  }
  if (grid.rows.kind === 'hexagonal') out.push(fact('rows', 'rows at √3/2 of the column pitch'))
  return out
}

/** The rows, columns or stacks of a grid: copies that have the other two of column, row and layer in common. */
function lanes(table: InstanceTable, laid: GridOutcome, which: number, { supportOf }: Things): Strip[] {
  const [a, b] = [0, 1, 2].filter((i) => i !== which)
  const [wide, high] = [laid[WAYS[a]].count, laid[WAYS[b]].count]
  const { slotLow, slotHigh } = table
  return stripsAlong(
    table,
    laid[WAYS[which]].direction,
    supportOf,
    wide * high,
    (k) => gridNumberOf(a, slotLow[k], slotHigh[k]) + gridNumberOf(b, slotLow[k], slotHigh[k]) * wide,
  )
}
