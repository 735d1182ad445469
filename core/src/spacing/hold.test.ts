import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine } from '../../test/projects'
import { changeMeasure, takeHold } from './hold'
import { rowInTurn } from './row'
import { type Held, type Measure, measures, triple } from '../values/spacing'
import { solveSpacing } from './solve'

describe('taking hold', () => {
  it('of the third lets go of the one untouched longest', () => {
    const line = aLine({ hold: ['spacing', 'room'] })
    takeHold(line, 'count', 9)
    expect([line.hold, line.count]).toEqual([['room', 'count'], 9])
    takeHold(line, 'spacing', 0.02)
    expect(line.hold).toEqual(['count', 'spacing'])
  })

  it('of one that is held makes it the one touched last', () => {
    const line = aLine({ hold: ['spacing', 'room'] })
    takeHold(line, 'spacing', 0.02)
    expect(line.hold).toEqual(['room', 'spacing'])
  })

  it('keeps the step of a line by amounts', () => {
    const line = aLine({ hold: ['spacing', 'room'], direction: { kind: 'amounts', step: [0.1, 0, 0] } })
    takeHold(line, 'count', 5)
    expect(line.hold).toEqual(['spacing', 'count'])
  })

  it('always leaves two different ones held, the last touched last', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom<Held>(...triple), { minLength: 1 }), (touches) => {
        const line = aLine()
        for (const which of touches) takeHold(line, which, 1)
        expect(line.hold[0]).not.toBe(line.hold[1])
        expect(line.hold[1]).toBe(touches.at(-1))
      }),
    )
  })
})

describe('another measure', () => {
  it('moves nothing, whatever the pivot and the width', () => {
    const row = fc
      .record({ low: fc.double({ min: -1, max: 0, noNaN: true }), high: fc.double({ min: 0.01, max: 1, noNaN: true }) })
      .map((o) => rowInTurn([o]))
    fc.assert(
      fc.property(row, fc.constantFrom(...measures), fc.constantFrom(...measures), (row, from, to) => {
        const line = aLine({ hold: ['count', 'spacing'], count: 7, spacing: 2.5, measure: from })
        const before = solveSpacing({ ...line, row })
        if (!before.ok) throw new Error('refused')
        const { ruler, spacing } = before.value
        const [pair] = [...ruler.row.pairs(2)]
        const first = Object.fromEntries(measures.map((m) => [m, ruler[m](...pair, spacing)]))
        changeMeasure(line, to, first as Record<Measure, number>)
        const after = solveSpacing({ ...line, row })
        for (let k = 0; k < 7; k++) expect(after.ok && after.value.at(k)).toBeCloseTo(before.value.at(k), 10)
      }),
    )
  })
})
