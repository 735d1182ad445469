import { expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { putNeutral } from './neutral'

it('I18: each value goes back to neutral alone, or all of them; another part and an empty place stay', () => {
  const touched = { move: [0, 1, 0], turn: [0.1, 0, 0], size: [2, 2, 2], part: 'tin', held: true } as const
  const fresh = () =>
    aProject(
      [box('tin', 0.1)],
      aPattern(aLine(), ['tin'], {
        place: { move: [1, 2, 3], turn: [0, 1, 0] },
        touchUps: { '1': structuredClone(touched) as never, '2': { empty: true, move: [1, 0, 0] } },
      }),
    )
  const copies = ['1', '2'].map((slot) => ({ is: 'copy', pattern: 'shelf', slot }) as const)
  const after = (what: 'move' | 'turn' | 'size' | 'all') => {
    const project = fresh()
    putNeutral(project, copies, what)
    return project.patterns[0].touchUps
  }
  const { move, turn, size, part, held } = touched
  expect(after('move')).toEqual({ '1': { turn, size, part, held }, '2': { empty: true } })
  expect(after('turn')['1']).toEqual({ move, size, part, held })
  expect(after('all')).toEqual({ '1': { part }, '2': { empty: true } })
  const project = fresh()
  putNeutral(project, [{ is: 'patterns', ids: ['shelf'] }], 'turn')
  expect(project.patterns[0].place).toEqual({ move: [1, 2, 3], turn: [0, 0, 0] })
})

it('a place of its own keeps where it is, unturned and in full size', () => {
  const spots = [
    {
      slot: 0,
      move: [1, 0, 0] as [number, number, number],
      turn: [0, 1, 0, 0] as [number, number, number, number],
      size: [2, 1, 1] as [number, number, number],
    },
  ]
  const project = aProject([box('tin', 0.1)], aPattern({ kind: 'spots', spots }, ['tin']))
  putNeutral(project, [{ is: 'copy', pattern: 'shelf', slot: '0' }], 'all')
  expect(project.patterns[0].layout).toEqual({ kind: 'spots', spots: [{ slot: 0, move: [1, 0, 0] }] })
})
