import { compareCopies } from '@hilera/core/compare/copies'
import { Evaluator } from '@hilera/core/evaluate'
import type { InstanceTable } from '@hilera/core/instances'
import { pickCombined } from '@hilera/core/selection/combined'
import { csv } from '@hilera/core/writers/table/csv'
import { rowsOf } from '@hilera/core/writers/table/rows'
import { workedScene } from '@hilera/core/writers/scene'
import Papa from 'papaparse'
import { aGrid, aPattern, aProject, aVary, box, pitched } from '../core/test/projects'
import { ms, ratio, rounds, table } from './rounds'

/** A grid of copies, turned by chance. */
function crowd(columns: number, rows: number) {
  const grid = aGrid({ across: pitched(columns, 0.2), deep: pitched(rows, 0.2) })
  return aProject([box('tin', 0.1)], aPattern(grid, ['tin'], { steps: [aVary('turnUp', -0.3, 0.3)] }))
}

/** A pass over the columns that a selection may ask for: the bound that it is held against. */
function onePass({ position, quaternion, scale, thing, flags, slotLow, slotHigh, count }: InstanceTable): number {
  let sum = 0
  for (let k = 0; k < count; k++) {
    for (let i = 0; i < 3; i++) sum += position[3 * k + i] + scale[3 * k + i]
    for (let i = 0; i < 4; i++) sum += quaternion[4 * k + i]
    sum += thing[k] + flags[k] + slotLow[k] + slotHigh[k]
  }
  return sum
}

function selecting(): void {
  const project = crowd(1000, 1000)
  const [{ table: copies }] = new Evaluator().evaluate(project, new Map())
  const taken = rounds({
    select: () =>
      void pickCombined(copies, 'shelf', [
        { joint: 'and', pick: { kind: 'line', which: 'row', number: 500 } },
        { joint: 'or', pick: { kind: 'every', every: 1000, from: 1 } },
        { joint: 'and not', pick: { kind: 'state', state: 'twins' } },
      ]),
    share: () => void pickCombined(copies, 'shelf', [{ joint: 'and', pick: { kind: 'share', share: 0.001, seed: 7 } }]),
    pass: () => void onePass(copies),
  })
  table('A selection over 1 000 000 copies, beside one pass over their columns (asked: 3 × or less)', [
    {
      selection: 'row 500 or every 1 000th, and no twin',
      time: ms(taken.select),
      ratio: ratio(taken.select / taken.pass),
    },
    { selection: 'a thousandth by chance', time: ms(taken.share), ratio: ratio(taken.share / taken.pass) },
    { selection: 'one pass', time: ms(taken.pass), ratio: ratio(1) },
  ])
}

function tabling(): void {
  const scene = workedScene(crowd(1000, 100), new Map())
  const lines = [...rowsOf(scene, { unit: 'mm', up: 'y', turn: 'degrees' })]
  const taken = rounds(
    {
      // It waits for nothing: all of it is done when it returns.
      written: () => void csv.write(scene, csv.usual(100_000)),
      unparse: () => void new TextEncoder().encode(Papa.unparse(lines, { newline: '\r\n' })),
    },
    5,
  )
  table('A table of 100 000 copies as CSV, beside papaparse on lines that are there (medians of 5 alternating runs)', [
    { by: 'Hilera, from the copies', time: ms(taken.written), ratio: ratio(taken.written / taken.unparse) },
    { by: 'papaparse', time: ms(taken.unparse), ratio: ratio(1) },
  ])
}

function comparing(): void {
  const states = [0, 1].map((n) => {
    const project = crowd(1000, 100)
    const grid = { ...project.patterns[0], place: { ...project.patterns[0].place, move: [n, 0, 0] as const } }
    const moved = { ...project, patterns: [grid] } as typeof project
    return { project: moved, outcomes: new Evaluator().evaluate(moved, new Map()) }
  })
  const [{ table: copies }] = states[0].outcomes
  const taken = rounds(
    { compare: () => void compareCopies(states[0], states[1]), pass: () => void (onePass(copies) + onePass(copies)) },
    5,
  )
  table('Two states of 100 000 copies compared, beside one pass over both', [
    { what: 'compared', time: ms(taken.compare), ratio: ratio(taken.compare / taken.pass) },
    { what: 'one pass', time: ms(taken.pass), ratio: ratio(1) },
  ])
}

/** What keeps thousands of copies in order: picking them in words, their table, two states beside each other. */
export function order(): void {
  selecting()
  tabling()
  comparing()
}
