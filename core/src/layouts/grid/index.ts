import { spacingWants } from '../spacingWants'
import { takeHold } from '../../spacing/hold'
import { gapped, goesByOutlines } from '../../values/spacing'
import { reachOf } from '../../spacing/strip'
import type { LayoutDefinition } from '../definition'
import { roundFigure } from '../beginning'
import { countAt, spacingBy } from '../nudging'
import { gridFacts } from './facts'
import { type GridOutcome, placeGrid } from './place'
import { type Grid, grid as schema } from './schema'
import { gridSentence } from './sentence'
import { unrollGrid } from './unroll'

export const grid: LayoutDefinition<Grid, GridOutcome> = {
  schema,
  words: 'Grid',
  note: 'columns, rows and layers, in step or shifted',
  sentence: gridSentence,
  summary: ({ rows }) =>
    ({ hexagonal: 'grid, hexagonal', offset: 'grid, rows shifted', inStep: 'grid, rows in step' })[rows.kind],
  lasting: ['rows', 'only', 'anchor', 'order'],
  begin: ({ width, height, depth, unit }) => ({
    kind: 'grid',
    across: gapped(5, roundFigure(width / 5, unit)),
    deep: gapped(4, roundFigure(depth / 5, unit)),
    // Layers stand on each other.
    up: { ...gapped(1, roundFigure(height, unit)), measure: 'pitch', edges: 'centres' },
    rows: { kind: 'inStep' },
    only: 'all',
    anchor: { across: 'start', deep: 'start', up: 'start' },
    order: 'rows',
  }),
  place: placeGrid,
  goesByStanding: ({ outlines, across, deep, up }) =>
    outlines === undefined && [across, deep, up].some(goesByOutlines) ? { counts: false } : undefined,
  unroll: (_, worked, { supportOf }) => unrollGrid(worked, supportOf),
  facts: gridFacts,
  stands: (grid, { table, laid }, { supportOf }) =>
    Object.fromEntries(
      (['across', 'deep', 'up'] as const).flatMap((axis) => {
        const along = laid[axis].count > 1 && reachOf(table, laid[axis].direction, grid[axis].edges, supportOf)
        return along ? [[axis, along]] : []
      }),
    ),
  more:
    (_, { across }, by) =>
    (l) =>
      countAt(l.across, across.count + by, across.spacing),
  wider:
    (_, { across }, by) =>
    (l) =>
      takeHold(l.across, 'spacing', spacingBy(l.across.spacing, across.spacing, by)),
  wants: (
    [
      ['across', 'across'],
      ['deep', 'deep'],
      ['up', 'high'],
    ] as const
  ).flatMap(([axis, words]) =>
    spacingWants<Grid, GridOutcome>(
      (l) => l[axis],
      (laid) => laid[axis],
      ` ${words}`,
      `${axis} `,
    ),
  ),
}
