import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aLine } from '../../test/projects'
import { takeHold } from './hold'
import { readingsOf } from './readings'
import { type Extent, rowInTurn } from './row'
import { type Held, type Measure, measures, triple } from '../values/spacing'
import { type SpacingQuestion, solveSpacing } from './solve'

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
  const width = fc.record({
    low: fc.double({ min: -1, max: 0, noNaN: true }),
    high: fc.double({ min: 0.01, max: 1, noNaN: true }),
  })
  const read = (kinds: Extent[], from: Measure, to: Measure) => {
    const question: SpacingQuestion = {
      ...aLine({ hold: ['count', 'spacing'], count: 7, spacing: 2.5, measure: from }),
      row: rowInTurn(kinds),
    }
    const before = solveSpacing(question)
    if (!before.ok) throw new Error('refused')
    const readAs = readingsOf(question, before.value)!
    const after = solveSpacing({ ...question, measure: to, spacing: readAs[to] })
    if (!after.ok) throw new Error('refused')
    return { before: before.value, after: after.value, readAs }
  }

  it('moves nothing of one width, whatever the pivot and the width', () => {
    fc.assert(
      fc.property(width, fc.constantFrom(...measures), fc.constantFrom(...measures), (own, from, to) => {
        const { before, after } = read([own], from, to)
        for (let k = 0; k < 7; k++) expect(after.at(k)).toBeCloseTo(before.at(k), 10)
      }),
    )
  })

  it('leaves the first and the last where they are, of unlike ones too, and what is asked as it is', () => {
    fc.assert(
      fc.property(
        fc.array(width, { minLength: 2, maxLength: 4 }),
        fc.constantFrom(...measures),
        fc.constantFrom(...measures),
        (kinds, from, to) => {
          const { before, after, readAs } = read(kinds, from, to)
          expect(readAs[from]).toBe(2.5)
          for (const k of [0, 6]) expect(after.at(k)).toBeCloseTo(before.at(k), 9)
        },
      ),
    )
  })
})
