import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sentenceText } from '../numbers/format'
import { type Extent, rowInTurn } from './row'
import { type SpacingAnswer, type SpacingQuestion, solveSpacing } from './solve'
import { endRules, leftovers } from '../values/spacing'
import { measures, roomEdges } from '../values/spacing'

const tin: Extent = { low: -0.0595, high: 0.0595 }
const shelf: SpacingQuestion = {
  hold: ['spacing', 'room'],
  count: 1,
  spacing: 0.012,
  measure: 'gap',
  room: 1.18,
  edges: 'outsides',
  ends: 'both',
  leftover: 'both',
  row: rowInTurn([tin]),
}
const studs: SpacingQuestion = {
  ...shelf,
  measure: 'pitch',
  edges: 'centres',
  leftover: 'end',
  row: rowInTurn([{ low: 0, high: 0 }]),
}

const solve = (question: Partial<SpacingQuestion>, base = shelf): SpacingAnswer => {
  const result = solveSpacing({ ...base, ...question })
  if (!result.ok) throw new Error(sentenceText(result.problem.says, 'mm'))
  return result.value
}
const says = (question: Partial<SpacingQuestion>, base = shelf): string => {
  const result = solveSpacing({ ...base, ...question })
  return result.ok ? `solved: ${result.value.count}` : sentenceText(result.problem.says, 'mm').replaceAll('\u202f', ' ')
}

describe('the shelf of tins', () => {
  it('takes nine, 1 167 mm, and leaves 13 mm to both ends', () => {
    const nine = solve({})
    expect(nine.count).toBe(9)
    expect(nine.run).toBeCloseTo(1.167, 12)
    expect(nine.leftover).toBeCloseTo(0.013, 12)
    expect(nine.lead).toBeCloseTo(0.0065, 12)
    expect(nine.at(0)).toBeCloseTo(0.066, 12)
    expect(nine.at(8)).toBeCloseTo(0.066 + 8 * 0.131, 12)
  })

  it('gives a leftover every place that can be asked for', () => {
    expect(solve({ leftover: 'end' }).at(0)).toBeCloseTo(0.0595, 12)
    expect(solve({ leftover: 'start' }).at(0)).toBeCloseTo(0.0725, 12)
    expect(solve({ leftover: 'widen' }).spacing).toBeCloseTo((1.18 - 9 * 0.119) / 8, 12)
    const tighter = solve({ leftover: 'tighten', spacing: 0.02, room: 1.25 })
    expect([tighter.count, tighter.spacing <= 0.02]).toEqual([10, true])
    const odd = solve({ leftover: 'extra', room: 1.3 })
    expect(odd.count).toBe(11)
    expect(odd.at(10)).toBeCloseTo(1.3 - 0.0595, 12)
    expect(odd.lastBay?.pitch).toBeCloseTo(1.2405 - 0.0595 - 9 * 0.131, 12)
  })

  it('keeps a negative last gap visible when the extra copy overlaps its neighbour', () => {
    expect(solve({ leftover: 'extra' }).lastBay?.gap).toBeCloseTo(0.013 - 0.119, 12)
  })
})

describe('ends', () => {
  it('counts the intervals that the ends keep', () => {
    const spacing = (ends: SpacingQuestion['ends']) =>
      solve({ hold: ['count', 'room'], count: 5, room: 1, ends }).spacing
    expect(spacing('both')).toBeCloseTo((1 - 5 * 0.119) / 4, 12)
    expect(spacing('start')).toBeCloseTo((1 - 5 * 0.119) / 5, 12)
    expect(spacing('between')).toBeCloseTo((1 - 5 * 0.119) / 6, 12)
    expect(spacing('half')).toBeCloseTo((1 - 5 * 0.119) / 5, 12)
  })

  it('puts a single copy where its leftover goes, with no spacing to speak of', () => {
    const one = solve({ hold: ['count', 'room'], count: 1, room: 1 })
    expect(one.spacing).toBeNaN()
    expect(one.at(0)).toBeCloseTo(0.5, 12)
  })

  it('divides in two with one copy in the middle', () => {
    expect(solve({ hold: ['count', 'room'], count: 3, room: 1 }, studs).at(1)).toBe(0.5)
  })
})

describe('fits are decided within a billionth of a pitch', () => {
  it.each([
    [2, 0.1, 21],
    [1, 1 / 3, 4],
    [0.3, 0.1, 4],
    [100, 0.0254 / 3, Math.floor(300 / 0.0254 + 1e-9) + 1],
  ])('%d m at %d m is %d', (room, spacing, count) => {
    expect(solve({ room, spacing }, studs).count).toBe(count)
  })
})

describe('unequal parts', () => {
  const row = rowInTurn([
    { low: -0.05, high: 0.05 },
    { low: -0.01, high: 0.03 },
    { low: 0, high: 0.2 },
  ])
  const edges = (a: SpacingAnswer, k: number): [number, number] => {
    const { low, high } = row.kinds[row.kindAt(k)]
    return [a.at(k) + low, a.at(k) + high]
  }

  it('keeps the gap equal whatever the widths', () => {
    const a = solve({ row, hold: ['count', 'spacing'], count: 8 })
    for (let k = 0; k < 7; k++) expect(edges(a, k + 1)[0] - edges(a, k)[1]).toBeCloseTo(0.012, 12)
    expect(a.room).toBeCloseTo(edges(a, 7)[1] - edges(a, 0)[0], 12)
  })

  it('keeps the overall of neighbours equal', () => {
    const a = solve({ row, hold: ['count', 'spacing'], count: 8, measure: 'overall', spacing: 0.4 })
    for (let k = 0; k < 7; k++) expect(edges(a, k + 1)[1] - edges(a, k)[0]).toBeCloseTo(0.4, 12)
  })
})

describe('refusals', () => {
  it.each([
    [{ hold: ['count', 'spacing'], count: 0 }, 'A pattern needs at least 1 copy; 0 cannot be placed. Type 1 or more.'],
    [
      { hold: ['count', 'spacing'], count: -1 },
      'A pattern needs at least 1 copy; −1 cannot be placed. Type 1 or more.',
    ],
    [{ hold: ['count', 'spacing'], count: 1.5 }, 'Copies come whole; 1.5 is not a whole number. Type a whole number.'],
    [
      { hold: ['count', 'spacing'], count: 1e9 },
      'A pattern can place up to 1 000 000 copies; 1 000 000 000 is more. Type a smaller count.',
    ],
    [{ measure: 'pitch', spacing: 0 }, 'A pitch of 0 mm would put neighbours on one spot. Type more than 0 mm.'],
    [{ spacing: -0.2 }, 'A gap of −200 mm would put neighbours on one spot. Type more than −119 mm.'],
    [
      { room: 0.1 },
      'The room, 100 mm, is shorter than one copy, 119 mm. Make the room longer, or hold count and spacing instead.',
    ],
    [
      { room: 0.13, ends: 'between' },
      'The room, 130 mm, is shorter than one copy with the space that its ends keep, 143 mm. Make the room longer, or hold count and spacing instead.',
    ],
    [
      { hold: ['count', 'room'], count: 9, room: 0.05 },
      '9 copies in 50 mm would stand on one spot. Lower the count or make the room longer.',
    ],
    [
      { room: 1e6, spacing: -0.118 },
      'More than 1 000 000 copies would fit into 1 000 000 000 mm, the most a pattern can place. Widen the spacing or shorten the room.',
    ],
  ] as [Partial<SpacingQuestion>, string][])('%j', (question, sentence) => {
    expect(says(question)).toBe(sentence)
  })
})

describe('laws', () => {
  const outline = fc
    .tuple(fc.double({ min: 0, max: 0.2, noNaN: true }), fc.double({ min: 0.001, max: 0.2, noNaN: true }))
    .map(([a, b]) => ({ low: -a, high: b }))
  const question = fc.record({
    count: fc.integer({ min: 2, max: 400 }),
    spacing: fc.double({ min: 0.001, max: 0.5, noNaN: true }),
    measure: fc.constantFrom(...measures),
    edges: fc.constantFrom(...roomEdges),
    ends: fc.constantFrom(...endRules),
    leftover: fc.constantFrom(...leftovers),
    row: fc.array(outline, { minLength: 1, maxLength: 4 }).map(rowInTurn),
  })

  it('any two give back the third', () => {
    fc.assert(
      fc.property(question, (q) => {
        const forward = solveSpacing({ ...q, hold: ['count', 'spacing'], room: 0 })
        fc.pre(forward.ok && forward.value.room > 0)
        if (!forward.ok) return
        const { room } = forward.value
        const back = solveSpacing({ ...q, hold: ['count', 'room'], spacing: 0, room })
        expect(back.ok && Math.abs(back.value.spacing - q.spacing)).toBeLessThan(1e-11)
        // Every pair of the deal must be able to stand, also those that this count has not reached.
        fc.pre(forward.value.ruler.smallestPitch(q.row.period + 1, q.spacing) > 1e-12)
        const counted = solveSpacing({ ...q, hold: ['spacing', 'room'], count: 1, room, leftover: 'end' })
        // A longer row of unequal parts can take no more room, when it ends on a smaller part: then the longer one is told.
        if (q.row.kinds.length === 1) expect(counted.ok && counted.value.count).toBe(q.count)
        else expect(counted.ok && counted.value.count).toBeGreaterThanOrEqual(q.count)
      }),
    )
  })

  it('copies stand in order, inside the room, as evenly as asked', () => {
    fc.assert(
      fc.property(question, fc.double({ min: 0.5, max: 20, noNaN: true }), (q, room) => {
        const solved = solveSpacing({ ...q, hold: ['spacing', 'room'], room })
        fc.pre(solved.ok && solved.value.ruler.smallestGap(solved.value.count, solved.value.spacing) >= 0)
        if (!solved.ok) return
        const { count, at, lastBay, ruler, spacing } = solved.value
        fc.pre(q.row.kinds.every((_, kind) => ruler.endInterval(kind, spacing) >= 0))
        const kind = (k: number) => q.row.kinds[q.row.kindAt(k)]
        const first = q.edges === 'centres' ? at(0) : at(0) + kind(0).low
        const last = q.edges === 'centres' ? at(count - 1) : at(count - 1) + kind(count - 1).high
        expect(first).toBeGreaterThan(-2e-9)
        expect(last).toBeLessThan(room + 2e-9)
        for (let k = 1; k < count - (lastBay ? 1 : 0); k++) expect(at(k)).toBeGreaterThan(at(k - 1))
      }),
    )
  })

  it('the millionth copy stands where its index says', () => {
    const a = solve({ hold: ['count', 'spacing'], count: 1_000_000, spacing: 0.1, measure: 'pitch', edges: 'centres' })
    expect(a.at(999_999)).toBe(999_999 * 0.1)
  })
})
