import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { Evaluator, supportIn } from '../evaluate'
import { scheduleOf } from './schedule'

const line = (count: number) => aLine({ hold: ['count', 'spacing'], count, spacing: 0.1 })
const scheduled = (project: ReturnType<typeof aProject>) => {
  const outcomes = new Evaluator().evaluate(project, new Map())
  return scheduleOf(outcomes, supportIn(project, new Map(), outcomes))
}

describe('a schedule', () => {
  it('counts parts over all patterns, as they stand and are sized, in the order of the project', () => {
    const [tin, cup] = [box('tin', 0.1), box('cup', 0.04)]
    const shelf = aPattern(line(6), ['cup', 'tin'], {
      id: 'shelf',
      touchUps: { '1': { empty: true }, '2': { size: [2, 1, 0.5] } },
    })
    const rows = scheduled(aProject([tin, cup], shelf, aPattern(line(4), ['tin'], { id: 'more' })))
    expect(rows.map(({ thing, count }) => [thing, count])).toEqual([
      [0, 6],
      [1, 3],
    ])
    const [wide, tall, deep] = rows[1].size
    const close = (range: readonly number[], to: readonly number[]): void =>
      range.forEach((n, i) => expect(n).toBeCloseTo(to[i], 6))
    close(wide, [0.04, 0.08])
    close(tall, [tall[0], tall[0]])
    close(deep, [deep[1] / 2, deep[1]])
  })

  it('adds up to the copies that stand, and is empty of nothing', () => {
    const project = aProject([box('tin', 0.1)], aPattern(line(5), ['tin'], { id: 'a' }))
    expect(scheduled(project).reduce((n, row) => n + row.count, 0)).toBe(5)
    expect(scheduled(aProject([box('tin', 0.1)]))).toEqual([])
  })
})
