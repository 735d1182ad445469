import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import { fromTurns, rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { Project } from '../model/project'
import { bodiesOf } from './body'
import { AXES, edgeOf } from './edges'
import { MetAlong } from './metAlong'
import { TurnedLike } from './turnedLike'

const around = (doc: Project) => {
  const outcomes = new Evaluator().evaluate(doc, new Map())
  return { project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) }
}
const copy = (pattern: string, slot: string) => ({ is: 'copy', pattern, slot }) as const
const isFirst = (pattern: string, row: number): boolean => pattern === 'row' && row === 0
const all = { outlines: true, lines: true }

/** Boxes in a row, 100 mm wide and 300 mm from pivot to pivot, one of 200 mm far off to the side and another in their way. */
const scene = aProject(
  [box('tin', 0.1), box('plum', 0.2)],
  aPattern(aLine({ count: 3, measure: 'pitch', spacing: 0.3 }), ['tin'], { id: 'row', name: 'Row' }),
  aPattern(aLine({ count: 1 }), ['plum'], { id: 'beside', place: { move: [2, 0, 3], turn: [0, 0, 0] } }),
  aPattern(aLine({ count: 1 }), ['plum'], { id: 'ahead', place: { move: [2, 0, 0.05], turn: [0, 0, 0] } }),
)

describe('what is moved along a direction', () => {
  const worked = around(scene)
  const bodies = bodiesOf(worked, [copy('row', '0')])
  const [first] = bodies[0].stands.move
  const [ahead] = bodiesOf(worked, [copy('ahead', '0')])[0].stands.move
  const met = new MetAlong(worked, bodies, [1, 0, 0], isFirst)

  it('meets faces of its own pattern and of what lies in its way, by outline', () => {
    // Its right face at the next one's left: 300 mm less its width.
    expect(met.nearest(0.19, 0.02, all)).toMatchObject({ by: expect.closeTo(0.2, 12), mine: 'high', its: 'low' })
    expect(met.nearest(0.19, 0.02, all)?.of).toEqual({ pattern: 'row', row: 1 })
    // The box ahead begins 100 mm before its pivot.
    const to = ahead - 0.15 - first
    expect(met.nearest(to + 0.01, 0.02, all)).toMatchObject({
      by: expect.closeTo(to, 12),
      mine: 'high',
      its: 'low',
      of: { pattern: 'ahead', row: 0 },
    })
  })

  it('does not meet what lies beside its way, nor itself, nor what is not wanted', () => {
    const found = Array.from({ length: 400 }, (_, k) => met.nearest(k / 100 - 1, 1, all)?.of)
    expect(found.some((of) => of?.pattern === 'beside')).toBe(false)
    expect(found.some((of) => of?.pattern === 'row' && of.row === 0)).toBe(false)
    expect(met.nearest(0.19, 0.02, { outlines: false, lines: true })).toBeUndefined()
  })

  it('meets the middle of the world with its middle or its pivot', () => {
    const second = bodiesOf(worked, [copy('row', '1')])
    const to = -second[0].stands.move[0]
    const line = new MetAlong(worked, second, [1, 0, 0], (p, row) => p === 'row' && row === 1)
    expect(line.nearest(to + 0.001, 0.002, { outlines: false, lines: true })).toMatchObject({
      by: expect.closeTo(to, 12),
    })
  })

  it('of any turn, size and direction stands edge on edge where it is told to', () => {
    const n = fc.double({ min: -1, max: 1, noNaN: true })
    const size = fc.double({ min: 0.5, max: 2, noNaN: true })
    fc.assert(
      fc.property(
        fc.tuple(n, n, n),
        fc.tuple(n, n, n),
        fc.constantFrom(...AXES),
        size,
        (turn, place, direction, by) => {
          const doc = aProject(
            [box('tin', 0.1), ball('plum', 0.2)],
            aPattern(aLine({ count: 4, measure: 'pitch', spacing: 0.3 }), ['tin', 'plum'], {
              id: 'row',
              place: { move: place, turn },
              touchUps: { 0: { turn: [0.3, by, 0.1], size: [by, 1, by] }, 2: { turn } },
            }),
          )
          const world = around(doc)
          const moved = bodiesOf(world, [copy('row', '0')])
          const others = bodiesOf(world, [copy('row', '1'), copy('row', '2'), copy('row', '3')])
          const found = new MetAlong(world, moved, direction, isFirst).nearest(0, 10, { outlines: true, lines: false })!
          const other = others.find(({ row }) => row === found.of!.row)!
          expect(edgeOf(moved[0], direction, found.mine) + found.by).toBeCloseTo(
            edgeOf(other, direction, found.its),
            11,
          )
          // No other meeting is nearer.
          for (const body of others)
            for (const [mine, its] of [
              ['low', 'high'],
              ['high', 'low'],
              ['low', 'low'],
              ['high', 'high'],
              ['middle', 'middle'],
            ] as const)
              // prettier-ignore
              expect(
              Math.abs(edgeOf(body, direction, its) - edgeOf(moved[0], direction, mine)),
            ).toBeGreaterThanOrEqual(Math.abs(found.by) - 1e-12)
        },
      ),
      { numRuns: 50 },
    )
  })
})

describe('what is turned about an axis', () => {
  const UP: Vec3 = [0, 1, 0]
  const doc = aProject(
    [box('tin', 0.1)],
    aPattern(aLine({ count: 3, measure: 'pitch', spacing: 0.3 }), ['tin'], {
      id: 'row',
      place: { move: [0, 0, 0], turn: [0, 0.2, 0] },
      touchUps: { 0: { turn: [0, 0.1, 0] }, 2: { turn: [0, 0.7, 0] } },
    }),
  )
  const worked = around(doc)
  const [lead] = bodiesOf(worked, [copy('row', '0')])
  const like = new TurnedLike(worked, lead, UP, isFirst)

  it('is caught where it faces as another copy does, and square to the world, round and round', () => {
    expect(like.nearest(-0.09, 0.05)).toEqual({ angle: expect.closeTo(-0.1, 12), of: { pattern: 'row', row: 1 } })
    expect(like.nearest(0.62, 0.05)).toEqual({ angle: expect.closeTo(0.6, 12), of: { pattern: 'row', row: 2 } })
    // It stands 0.3 rad about up.
    expect(like.nearest(-0.28, 0.05)).toEqual({ angle: expect.closeTo(-0.3, 12) })
    expect(like.nearest(Math.PI / 2 - 0.31, 0.05)).toEqual({ angle: expect.closeTo(Math.PI / 2 - 0.3, 12) })
    expect(like.nearest(0.62 + 4 * Math.PI, 0.05)).toMatchObject({ angle: expect.closeTo(0.6 + 4 * Math.PI, 12) })
    expect(like.nearest(0.3, 0.05)).toBeUndefined()
  })

  it('faces so indeed', () => {
    const { angle } = like.nearest(0.62, 0.05)!
    const [, , other] = bodiesOf(worked, [copy('row', '0'), copy('row', '1'), copy('row', '2')])
    const turned = rotate(fromTurns([0, angle, 0]), rotate(lead.stands.turn, [0, 0, 1]))
    rotate(other.stands.turn, [0, 0, 1]).forEach((n, i) => expect(turned[i]).toBeCloseTo(n, 12))
  })
})
