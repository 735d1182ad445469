import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import { readProject } from '../model/project'
import { backToBaseline, offBaseline, takeBaseline } from './baseline'
import { type Placeable, bodiesOf } from './body'
import { placedExactly, putPlaced } from './exactly'

const things: Placeable[] = ['1', '3'].map((slot) => ({ is: 'copy', pattern: 'shelf', slot }))
const evaluator = new Evaluator()
const evaluate = (project: Project) => evaluator.evaluate(project, new Map())
const bodies = (project: Project) =>
  bodiesOf(
    { project, outcomes: new Evaluator().evaluate(project, new Map()), supportOf: () => () => ({ low: 0, high: 0 }) },
    things,
  )
const stands = (project: Project) => bodies(project).map((b) => b.stands)

describe('a baseline', () => {
  const start = aProject(
    [box('tin', 0.119)],
    aPattern(aLine(), ['tin'], {
      place: { move: [0.1, 0, 7 / 3], turn: [0, 0.7, 0] },
      touchUps: { '3': { turn: [0.1, 0, 0] } },
    }),
  )
  const taken = produce(start, (draft) => takeBaseline(draft, bodies(start)))
  const moved = produce(taken, (draft) => {
    const targets = bodies(taken).map(({ of, stands: from }) => ({
      of,
      from,
      to: {
        ...from,
        move: [from.move[0] + 0.012, from.move[1], from.move[2]] as [number, number, number],
        size: [2, 1, 1] as [number, number, number],
      },
    }))
    const placed = placedExactly(taken, targets, evaluate)
    if (placed.ok) putPlaced(draft, placed.value)
  })

  it('O5: tells how far they are, and brings them back to the bit, also saved and opened again', () => {
    expect(offBaseline(taken, bodies(taken))).toEqual({ farthest: 0, changed: 0, count: 2 })
    expect(offBaseline(moved, bodies(moved))).toEqual({ farthest: expect.closeTo(0.012, 12), changed: 2, count: 2 })
    const opened = readProject(JSON.parse(JSON.stringify(moved)))
    if (!opened.ok) throw new Error('not read')
    const back = backToBaseline(opened.value, things, evaluate)
    if (!back.ok) throw new Error('not back')
    const there = produce(opened.value, (draft) => putPlaced(draft, back.value))
    expect(stands(there)).toEqual(stands(start))
    expect(there.patterns[0].touchUps).toEqual(start.patterns[0].touchUps)
  })

  it('brings them back also where the pattern has changed beside', () => {
    const wider = produce(moved, (draft) => void (draft.patterns[0].place.move[0] += 1))
    const back = backToBaseline(wider, things, evaluate)
    if (!back.ok) throw new Error('not back')
    const there = produce(wider, (draft) => putPlaced(draft, back.value))
    stands(there).forEach(({ move, size }, k) => {
      expect(move).toEqual(stands(start)[k].move.map((n) => expect.closeTo(n, 12)))
      expect(size).toEqual(stands(start)[k].size)
    })
  })

  it('says so where none was taken', () => expect(backToBaseline(start, things, evaluate).ok).toBe(false))
})
