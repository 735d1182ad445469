import { expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator, supportIn } from '../evaluate'
import type { Project } from '../model/project'
import { type Placeable, bodiesOf } from './body'
import { placedExactly, putPlaced } from './exactly'
import { liveLine } from './liveLine'
import { space, spaceDefaults } from './space'
import { produce } from 'immer'

const worked = (project: Project) => {
  const outcomes = new Evaluator().evaluate(project, new Map())
  return { project, outcomes, supportOf: supportIn(project, new Map(), outcomes) }
}
const evaluator = new Evaluator()
const evaluate = (project: Project) => evaluator.evaluate(project, new Map())

it.each(['gap', 'pitch'] as const)(
  'unlike copies, spaced by %s, become a live line, and none moves by more than 1e-9 m',
  (by) => {
    const start = aProject(
      [box('tin', 0.119), box('jar', 0.2)],
      aPattern(aLine({ count: 7, hold: ['count', 'spacing'] }), ['tin', 'jar'], {
        place: { move: [0.3, 0, 0.1], turn: [0, 0, 0] },
        touchUps: { '2': { turn: [0, 0.6, 0], move: [0, 0.05, 0.02] }, '4': { size: [1.5, 1, 1] } },
      }),
    )
    const picked: Placeable[] = ['1', '2', '4', '5'].map((slot) => ({ is: 'copy', pattern: 'shelf', slot }))
    const spaced = space(bodiesOf(worked(start), picked), undefined, { ...spaceDefaults, by, distance: 0.31 })
    if (!spaced.ok) throw new Error('not spaced')
    const placed = placedExactly(
      start,
      spaced.value.wanted.map(({ body, to }) => ({ of: body.of, from: body.stands, to })),
      evaluate,
    )
    if (!placed.ok) throw new Error('not placed')
    const project = produce(start, (draft) => putPlaced(draft, placed.value))
    const before = bodiesOf(worked(project), picked).map((b) => b.stands)
    const things = [...project.parts, ...project.patterns]
    const live = liveLine(
      worked(project),
      bodiesOf(worked(project), picked),
      { along: 0, by },
      {
        id: 'live',
        name: 'Line',
        idOf: (t) => things[t].id,
        nameOf: (t) => things[t].name,
        twinOf: (t) => things[t].id,
      },
      evaluate,
    )
    if (!live.ok) throw new Error(JSON.stringify(live.problem))
    const { layout } = live.value.patterns[1]
    expect(layout).toMatchObject({ kind: 'line', count: 4, measure: by, spacing: expect.closeTo(0.31, 9) as number })
    const after = bodiesOf(
      worked(live.value),
      before.map((_, k) => ({ is: 'copy', pattern: 'live', slot: k.toString(16) })),
    ).map((b) => b.stands)
    const sorted = [...before].sort((a, b) => a.move[0] - b.move[0])
    after.forEach(({ move, size }, k) => {
      expect(Math.hypot(...move.map((n, i) => n - sorted[k].move[i]))).toBeLessThan(1e-9)
      expect(size).toEqual(sorted[k].size)
    })
    expect(worked(live.value).outcomes[0].table.presentCount()).toBe(3)
  },
)
