import { describe, expect, it } from 'vitest'
import { aPath, aPattern, aProject, ball } from '../../test/projects'
import { Evaluator, supportIn } from '../evaluate'
import type { Curve } from '../values/curve'
import { alongPath } from './alongPath'

/** The length between two of twelve copies evenly along a curve, by their rows. */
function between(curve: Curve, first: number, second: number): number | undefined {
  const layout = aPath({ curve, hold: 'count', count: 12 })
  const project = aProject([ball('tin', 0.1)], aPattern(layout, ['tin'], { id: 'p' }))
  const outcomes = new Evaluator().evaluate(project, new Map())
  const worked = { project, outcomes, supportOf: supportIn(project, new Map(), outcomes) }
  const of = (row: number) => ({ is: 'copy', pattern: 'p', slot: outcomes[0].table.keyOf(row) }) as const
  return alongPath(worked, of(first), of(second))
}

describe('the length of a path between two copies', () => {
  it('of a circle is the arc, the shorter way round', () => {
    const circle: Curve = { kind: 'arc', radius: 1, start: 0, angle: 2 * Math.PI }
    expect(between(circle, 0, 3)).toBeCloseTo((2 * Math.PI * 3) / 12, 5)
    expect(between(circle, 1, 11)).toBeCloseTo((2 * Math.PI * 2) / 12, 5)
  })
  it('of a bent line goes round the corner', () => {
    const bent: Curve = {
      kind: 'points',
      points: [
        [0, 0, 0],
        [3, 0, 0],
        [3, 0, 4],
      ],
      smooth: false,
      closed: false,
    }
    expect(between(bent, 0, 11)).toBeCloseTo(7, 5)
  })
  it('of copies on no path is not told', () => {
    const project = aProject(
      [ball('tin', 0.1)],
      aPattern(
        {
          kind: 'spots',
          spots: [
            { slot: 0, move: [0, 0, 0] },
            { slot: 1, move: [1, 0, 0] },
          ],
        },
        ['tin'],
        { id: 'p' },
      ),
    )
    const outcomes = new Evaluator().evaluate(project, new Map())
    const worked = { project, outcomes, supportOf: supportIn(project, new Map(), outcomes) }
    const of = (slot: string) => ({ is: 'copy', pattern: 'p', slot }) as const
    expect(alongPath(worked, of('0'), of('1'))).toBeUndefined()
  })
})
