import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine, aPattern, aProject, box } from '../test/projects'
import { Evaluator } from './evaluate'
import type { Vec3 } from './values/values'
import { moveInSlot, touchUpCopy } from './patternEdits'
import { fromTurns, rotate } from './geometry/rotation'

describe('touching up', () => {
  it('adds, and drops what comes to nothing', () => {
    const pattern = aPattern(aLine(), ['tin'])
    touchUpCopy(pattern, '3', { move: [0, 1, 0] })
    touchUpCopy(pattern, '3', { empty: true })
    expect(pattern.touchUps).toEqual({ '3': { move: [0, 1, 0], empty: true } })
    touchUpCopy(pattern, '3', { move: [0, 0, 0] })
    touchUpCopy(pattern, '3', { empty: undefined })
    expect(pattern.touchUps).toEqual({})
  })

  it('moves a copy in the world by what was dragged, however pattern and copy are turned', () => {
    const n = fc.double({ min: -3, max: 3, noNaN: true })
    const v = fc.tuple(n, n, n)
    fc.assert(
      fc.property(v, v, v, (place, turn, moved) => {
        const pattern = aPattern(aLine(), ['tin'], {
          place: { move: [1, 2, 3], turn: place },
          touchUps: { '2': { turn } },
        })
        const at = (): Vec3 => {
          const [{ table }] = new Evaluator().evaluate(aProject([box('tin', 0.119)], pattern), new Map())
          return rotate(fromTurns(place), [table.position[6], table.position[7], table.position[8]])
        }
        const before = at()
        const [{ table }] = new Evaluator().evaluate(aProject([box('tin', 0.119)], pattern), new Map())
        const q = table.quaternion.slice(8, 12)
        touchUpCopy(pattern, '2', { move: moveInSlot(pattern, [q[0], q[1], q[2], q[3]], turn, moved) })
        at().forEach((value, i) => expect(value - before[i]).toBeCloseTo(moved[i], 9))
      }),
    )
  })
})
