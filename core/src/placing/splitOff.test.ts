import { expect, it } from 'vitest'
import { evaluated, placesOf } from '../../test/placed'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { fromTurns } from '../geometry/rotation'
import { bodiesOf } from './body'
import { splitOff } from './splitOff'

it('copies get places of their own where they stand; what they leave stays empty; saved selections follow', () => {
  const pattern = aPattern(aLine(), ['tin'], {
    place: { move: [1, 2, 3], turn: [0.3, -1, 0.2] },
    // One is coloured by hand: it takes its colour along.
    touchUps: { '2': { turn: [0.4, 0, 0], size: [1, 2, 1] }, '4': { color: '#12ab34' } },
  })
  const project = aProject([box('tin', 0.119)], pattern)
  project.sets = [{ id: 'set-1', name: 'Two', copies: { shelf: ['1', '2'] } }]
  const worked = () => {
    const outcomes = new Evaluator().evaluate(project, new Map())
    return { project, outcomes, supportOf: () => () => ({ low: 0, high: 0 }) }
  }
  const before = bodiesOf(
    worked(),
    ['2', '4'].map((slot) => ({ is: 'copy', pattern: 'shelf', slot })),
  )
  const stood = evaluated(project)
  const { table } = stood
  const others = placesOf(table)
  splitOff(project, new Map([['shelf', new Set(['2', '4'])]]), new Map([['shelf', stood]]), {
    id: 'some',
    name: 'Some',
    idOf: () => 'tin',
    nameOf: () => 'Tin',
    twinOf: () => 'tin',
  })
  const after = bodiesOf(
    worked(),
    ['0', '1'].map((slot) => ({ is: 'copy', pattern: 'some', slot })),
  )
  after.forEach(({ stands }, k) => {
    expect(stands.move).toEqual(before[k].stands.move.map((n) => expect.closeTo(n, 12)))
    expect(stands.turn).toEqual(before[k].stands.turn.map((n) => expect.closeTo(n, 12)))
    expect(stands.size).toEqual(before[k].stands.size)
  })
  expect(fromTurns([0.3, -1, 0.2])).not.toEqual(after[0].stands.turn)
  const left = evaluated(project)
  expect([left.table.presentCount(), placesOf(left.table)]).toEqual([table.count - 2, others])
  expect(project.sets[0].copies).toEqual({ shelf: ['1'], some: ['0'] })
  const some = new Evaluator().evaluate(project, new Map())[1]
  expect([0, 1].map((row) => some.frames[some.table.surface[row] - 1]?.color)).toEqual([undefined, '#12ab34'])
})
