import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sentenceText } from './format'
import { parseQuantity } from './parse'
import type { LengthUnit, Quantity } from './units'

const read = (text: string, field: Quantity = 'length', unit: LengthUnit = 'mm'): number => {
  const result = parseQuantity(text, field, unit)
  if (!result.ok) throw new Error(sentenceText(result.problem.says, unit))
  return result.value
}
const says = (text: string, field: Quantity = 'length'): string => {
  const result = parseQuantity(text, field, 'mm')
  return result.ok ? `read as ${result.value}` : sentenceText(result.problem.says, 'mm')
}

describe('reading lengths', () => {
  it.each([
    ['12', 0.012],
    ['1 180', 1.18],
    ['1\u202f180 mm', 1.18],
    ['.5 mm', 0.0005],
    ['7 ft 5 in', 2.2606],
    ['7\' 5"', 2.2606],
    ['3/4 in', 0.01905],
    ['1 1/2"', 0.0381],
    ['1 1/2 in', 0.0381],
    ['6-1/2"', 0.1651],
    ['5\'-3 7/16"', 1.6113125],
    ['5\' - 3"', 1.4478],
    ['2 ft + 30 mm', 0.6396],
    ['2 ft + 30', 0.6396],
    ['(1200 - 3*119)/4', 0.21075],
    ['(100 + 20) cm', 1.2],
    ['1/3 in', 254 / 30000],
    ['1200/4 mm', 0.3],
    ['100 mm / 4', 0.025],
    ['100 mm × 3', 0.3],
    ['-12 mm', -0.012],
    ['−12', -0.012],
    ['2 m - 10 cm', 1.9],
    ['360/18', 0.02],
    ['12 MM', 0.012],
  ])('%s', (text, metres) => {
    expect(read(text)).toBe(metres)
  })

  it('takes plain numbers in the unit that is shown', () => {
    expect(read('5', 'length', 'in')).toBe(0.127)
    expect(read('5', 'length', 'ftin')).toBe(0.127)
    expect(read('5', 'length', 'm')).toBe(5)
  })

  it('lets a compound length bind tighter than a division', () => {
    expect(read('7 ft 5 in / 16 in', 'count')).toBe(5.5625)
    expect(read('7 ft 5 in / 2')).toBe(1.1303)
  })

  it('reads angles, shares and counts', () => {
    expect(read('22.5', 'angle')).toBeCloseTo(Math.PI / 8, 15)
    expect(read('360/18', 'angle')).toBeCloseTo(Math.PI / 9, 15)
    expect(read("30° 15'", 'angle')).toBeCloseTo((30.25 * Math.PI) / 180, 15)
    expect(read('40 %', 'share')).toBe(0.4)
    expect(read('40', 'share')).toBe(0.4)
    expect(read('9 + 3', 'count')).toBe(12)
    expect(read('1e9', 'count')).toBe(1e9)
    expect(read('2.5e-3 m')).toBe(0.0025)
    expect(read('150 %', 'factor')).toBe(1.5)
  })
})

describe('refusing what cannot be read', () => {
  it.each([
    ['', 'Nothing is typed. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.'],
    ['twelve', '“twelve” is not a unit. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.'],
    ['12 furlongs', '“furlongs” after “12” is not a unit. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.'],
    [
      '12 constructor',
      '“constructor” after “12” is not a unit. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.',
    ],
    ['1,180', 'A comma could part thousands or decimals. Write 1180 or 1.18 instead.'],
    ['12 mm / 0', 'Nothing can be divided by 0.'],
    ['1/0 in', 'Nothing can be divided by 0.'],
    ['(12', 'A bracket is open: add “)” where it ends.'],
    ['12 +', 'The sum ends too early: a number is missing.'],
    ['12 mm 5 mm', '“5” after “12 mm” cannot be read. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.'],
    ['30°', '“30°” is an angle, but a length is needed here. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.'],
    [
      '2 m / 1 m',
      '“2 m / 1 m” is one length divided by another, a plain number, but a length is needed here. Type a length such as 12 mm, 7 ft 5 in or 2 ft + 30 mm.',
    ],
    ['2 m * 3 m', 'A length times a length has no place in this field.'],
    ['12 mm + 5°', 'A length and an angle cannot be added.'],
    ['12 € ', '“€” has no meaning in a sum. Use numbers, units, + − × ÷ and brackets.'],
  ])('%s', (text, sentence) => {
    expect(says(text)).toBe(sentence)
  })

  it('wants plain numbers for counts', () => {
    expect(says('3 mm', 'count')).toContain('is a length, but a plain number is needed here')
  })
})

describe('laws', () => {
  const units = fc.constantFrom('mm', 'cm', 'm', 'in', 'ft')
  it('adding and taking away the same length gives back the first, exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99999 }), units, fc.integer({ min: 0, max: 9999 }), units, (a, u, b, v) => {
        expect(read(`${a} ${u} + ${b} ${v} - ${b} ${v}`)).toBe(read(`${a} ${u}`))
      }),
    )
  })

  it('a third taken three times is the whole, exactly', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), units, (a, u) => {
        expect(read(`${a}/3 ${u} * 3`)).toBe(read(`${a} ${u}`))
      }),
    )
  })

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'0123456789./+-*() \'"ftinmc%°€,') }), (text) => {
        const result = parseQuantity(text, 'length', 'mm')
        expect(result.ok ? Number.isFinite(result.value) : result.problem.says.length > 0).toBe(true)
      }),
      { numRuns: 2000 },
    )
  })

  it('reads densities by the area that is typed, or by the one that is shown', () => {
    const foot = 0.3048 ** 2
    for (const text of ['12 /ft²', '12 / ft2', '12 per ft²', '12/ft^2', '12 per sq ft', '12 to the ft²', '3 × 4 / ft²'])
      expect(read(text, 'density')).toBeCloseTo(12 / foot, 9)
    expect(read('45.5', 'density', 'mm')).toBe(45.5)
    expect(read('45.5 /m²', 'density', 'in')).toBe(45.5)
    expect(read('2', 'density', 'ftin')).toBeCloseTo(2 / foot, 9)
    expect(read('0.5 /cm²', 'density')).toBeCloseTo(5000, 9)
    expect(says('12 /ft', 'density')).toContain('does not say on what area')
    expect(says('twelve /m²', 'density')).toContain('“twelve” is not a unit')
  })
})
