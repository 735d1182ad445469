import { describe, expect, it } from 'vitest'
import { parseQuantity } from '../../src/numbers/parse'
import { rowInTurn } from '../../src/spacing/row'
import { type SpacingAnswer, type SpacingQuestion, solveSpacing } from '../../src/spacing/solve'

const inches = (n: number): number => (n * 254) / 10_000
const length = (text: string): number => {
  const read = parseQuantity(text, 'length', 'mm')
  return read.ok ? read.value : NaN
}
const point = rowInTurn([{ low: 0, high: 0 }])
const wide = (w: number) => rowInTurn([{ low: -w / 2, high: w / 2 }])

const solve = (question: Partial<SpacingQuestion>): SpacingAnswer => {
  const solved = solveSpacing({
    hold: ['spacing', 'room'],
    count: 1,
    spacing: 0,
    measure: 'pitch',
    room: 0,
    edges: 'centres',
    ends: 'both',
    leftover: 'end',
    row: point,
    ...question,
  })
  if (!solved.ok) throw new Error(JSON.stringify(solved.problem))
  return solved.value
}

describe('L1 studs on centre', () => {
  // IRC table R602.3(5) gives the spacings; count = ceil(length / spacing) + 1 is common framing practice.
  it.each([
    ['8 ft', 16, 7],
    ['12 ft', 16, 10],
    ['12 ft', 24, 7],
    ['8 ft', 24, 5],
    ['16 ft', 16, 13],
  ])('%s at %d in is %d', (room, spacing, count) => {
    const wall = solve({ room: length(room), spacing: inches(spacing), leftover: 'extra' })
    expect([wall.count, wall.lastBay]).toEqual([count, undefined])
  })

  it('12 ft 6 in at 16 in is 11 with a last bay of 6 in', () => {
    const wall = solve({ room: length('12 ft 6 in'), spacing: inches(16), leftover: 'extra' })
    expect(wall.count).toBe(11)
    expect(wall.lastBay?.pitch).toBeCloseTo(inches(6), 12)
  })

  // Arithmetic: 89 in ÷ 16 in is 5.56, so five bays and 9 in.
  it('7 ft 5 in at 16 in is 6 copies with 9 in left', () => {
    const row = solve({ room: length('7 ft 5 in'), spacing: inches(16) })
    expect(row.count).toBe(6)
    expect(row.leftover).toBeCloseTo(inches(9), 12)
  })
})

describe('L2 balusters no further apart than a limit', () => {
  // IRC R312.1.3 (a 4 in sphere must not pass) and UK Approved Document K (100 mm), values from memory;
  // n = ceil((L − g) / (w + g)) and gap = (L − n·w) / (n + 1) follow from the rule.
  it.each([
    [inches(72), inches(1.5), inches(4), 13, inches(3.75)],
    [inches(96), inches(1.5), inches(3.5), 19, inches(3.375)],
    [inches(60), inches(1.25), inches(4), 11, inches(46.25 / 12)],
    [1.8, 0.038, 0.099, 13, 1.306 / 14],
    [2.4, 0.041, 0.1, 17, 1.703 / 18],
  ])('%d m, %d wide, at most %d clear', (room, width, limit, count, gap) => {
    const rail = solve({
      room,
      spacing: limit,
      measure: 'gap',
      edges: 'outsides',
      ends: 'between',
      leftover: 'tighten',
      row: wide(width),
    })
    expect(rail.count).toBe(count)
    expect(rail.spacing).toBeCloseTo(gap, 9)
    expect(rail.lead).toBeCloseTo(gap, 9)
    // One fewer would break the limit.
    expect((room - (count - 1) * width) / count).toBeGreaterThan(limit)
  })
})

describe('L3 three rules for the ends of 1000', () => {
  // By definition.
  const spread = (ends: SpacingQuestion['ends'], count: number) =>
    solve({ hold: ['count', 'room'], count, room: 1, ends }).spacing
  it.each([
    [11, 0.1, 1 / 12, 1 / 11],
    [2, 1, 1 / 3, 0.5],
  ])('%d copies', (count, both, between, half) => {
    expect(spread('both', count)).toBeCloseTo(both, 12)
    expect(spread('between', count)).toBeCloseTo(between, 12)
    expect(spread('half', count)).toBeCloseTo(half, 12)
  })
})

describe('L4 a fixed pitch with the remainder in the middle', () => {
  // By definition: 1000 at 96 is eleven copies over 960.
  it('is 11 copies, remainder 40, the first at 20', () => {
    const row = solve({ room: 1, spacing: 0.096, leftover: 'both' })
    expect(row.count).toBe(11)
    expect(row.leftover).toBeCloseTo(0.04, 12)
    expect(row.at(0)).toBeCloseTo(0.02, 12)
  })
})

describe('L5 brickwork', () => {
  // Coordinating size of 215 × 102.5 × 65 mm bricks with 10 mm joints, BS EN 771-1 / BS 4729, values from memory:
  // a pier of n bricks is 225n − 10, an opening 225n + 10, four courses rise 300.
  it.each([
    [4, 0.89, 0.91],
    [10, 2.24, 2.26],
  ])('%d bricks', (count, pier, opening) => {
    const bricks = {
      hold: ['count', 'spacing'] as const,
      count,
      spacing: 0.01,
      measure: 'gap' as const,
      edges: 'outsides' as const,
      row: wide(0.215),
    }
    expect(solve(bricks).room).toBeCloseTo(pier, 12)
    expect(solve({ ...bricks, ends: 'between' }).room).toBeCloseTo(opening, 12)
  })

  it('courses rise 300 for four and 900 for twelve, a joint under each', () => {
    const courses = (count: number) =>
      solve({
        hold: ['count', 'spacing'],
        count,
        spacing: 0.01,
        measure: 'gap',
        edges: 'outsides',
        ends: 'start',
        row: wide(0.065),
      }).room
    expect(courses(4)).toBeCloseTo(0.3, 12)
    expect(courses(12)).toBeCloseTo(0.9, 12)
  })
})
