import { create, all } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { formatFeetInches } from '../../src/numbers/format'
import { parseQuantity } from '../../src/numbers/parse'
import { rowInTurn } from '../../src/spacing/row'
import { solveSpacing } from '../../src/spacing/solve'

const math = create(all)
const metres = (text: string): number => {
  const read = parseQuantity(text, 'length', 'mm')
  return read.ok ? read.value : NaN
}
const radians = (text: string): number => {
  const read = parseQuantity(text, 'angle', 'mm')
  return read.ok ? read.value : NaN
}

describe('U1 inch, foot, yard, mile', () => {
  // International Yard and Pound Agreement, 1959; NIST SP 811 (2008), appendix B.8: exact by definition.
  it.each([
    ['1 in', 0.0254],
    ['1 ft', 0.3048],
    ['1 yd', 0.9144],
    ['1 mi', 1609.344],
  ])('%s', (text, exact) => {
    expect(metres(text)).toBe(exact)
  })

  it('agrees with the unit tables of mathjs', () => {
    for (const unit of ['in', 'ft', 'yd', 'mi', 'mm', 'cm', 'm', 'km']) {
      expect(metres(`7 ${unit}`)).toBeCloseTo(math.unit(7, unit).toNumber('m'), 12)
    }
  })
})

describe('U2 feet, inches and fractions', () => {
  // Arithmetic from U1: inches as whole 64ths, of 25.4 ÷ 64 mm each, in whole numbers until the one division at the end.
  it.each([
    ['5\' 3 7/16"', 63 * 64 + 28],
    ['12\' 6-1/2"', 150 * 64 + 32],
    ['3/64 in', 3],
    ['1/64 in', 1],
    ['7 ft 5 in', 89 * 64],
    ['1 yd 2 ft 3 1/8 in', 63 * 64 + 8],
  ])('%s', (text, parts) => {
    expect(metres(text)).toBe((parts * 254) / (64 * 10_000))
  })
})

describe('U3 rounding for show', () => {
  // Arithmetic from U1: 1000 mm is 39.37 in; 39 3/8 in is 1000.125 mm.
  it('shows a metre to the sixteenth and keeps the metre', () => {
    expect(formatFeetInches(1)).toBe('3\' 3 3/8"')
    expect(metres('39 3/8 in') - 1).toBeCloseTo(0.000125, 12)
  })
})

describe('U4 point and pica', () => {
  // CSS Values and Units 4, section 6.2: 72 points and 6 picas to the inch.
  it('is a seventy-second and a sixth of an inch', () => {
    expect(metres('1 pt')).toBeCloseTo(0.0254 / 72, 15)
    expect(metres('1 pc')).toBeCloseTo(0.0254 / 6, 15)
  })
})

describe('U5 the survey foot is another foot', () => {
  // NIST SP 811: 1200/3937 m. Value from memory; the quotient is computed here.
  it('differs by two millionths', () => {
    expect((1200 / 3937 - metres('1 ft')) / metres('1 ft')).toBeCloseTo(2.000004e-6, 11)
  })
})

describe('U6 angle units', () => {
  // SI Brochure, table 8 (values from memory, recomputed from π).
  it.each([
    ['1°', Math.PI / 180],
    ["1'", Math.PI / 10_800],
    ['1 gon', Math.PI / 200],
    ['1 turn', 2 * Math.PI],
    ['1 rad', 1],
  ])('%s', (text, exact) => {
    expect(Math.abs(radians(text) - exact)).toBeLessThanOrEqual(1e-15 * Math.max(1, exact))
  })
})

describe('U7 no error adds up', () => {
  // IEEE 754: adding 0.1 a million times gives 100000.00000133288; the product gives 100000 exactly.
  it('places by product: the copy of index i stands at i times the step', () => {
    let summed = 0
    for (let i = 0; i < 1e6; i++) summed += 0.1
    expect(summed).toBeCloseTo(100000.00000133288, 10)
    const solved = solveSpacing({
      hold: ['count', 'spacing'],
      count: 1_000_000,
      spacing: 0.1,
      measure: 'pitch',
      room: 0,
      edges: 'centres',
      ends: 'both',
      leftover: 'end',
      row: rowInTurn([{ low: 0, high: 0 }]),
    })
    if (!solved.ok) throw new Error('refused')
    for (const i of [1e4, 123_456, 999_999]) expect(solved.value.at(i)).toBe(i * 0.1)
  })
})
