import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { editText, formatFeetInches, formatLength, formatNumber, formatQuantity, sentenceText } from './format'
import { parseQuantity } from './parse'
import { lengthUnits } from './units'

describe('showing quantities', () => {
  it.each([
    [1.18, 'mm', '1\u202f180\u202fmm'],
    [0.0127, 'mm', '12.7\u202fmm'],
    [0.0127, 'in', '0.5\u202fin'],
    [1 / 3, 'mm', '333.33\u202fmm'],
    [-0.0065, 'mm', '−6.5\u202fmm'],
    [0, 'mm', '0\u202fmm'],
    [-1e-9, 'mm', '0\u202fmm'],
    [2.2606, 'ftin', '7\' 5"'],
    [0.1524, 'ftin', '6"'],
    [0, 'ftin', '0"'],
    [0.3048, 'ftin', "1'"],
    [0.01905, 'ftin', '3/4"'],
  ] as const)('%d m in %s', (metres, unit, text) => {
    expect(formatLength(metres, unit)).toBe(text)
  })

  it('carries a rounded-up fraction over to the next foot', () => {
    expect(formatFeetInches(0.3048 - 1e-6)).toBe("1'")
  })

  it('groups only from four figures on and drops trailing zeros', () => {
    expect([999, 1000, 1284, 1e6, 12.5, 131].map((n) => formatNumber(n))).toEqual([
      '999',
      '1\u202f000',
      '1\u202f284',
      '1\u202f000\u202f000',
      '12.5',
      '131',
    ])
    expect(formatNumber(NaN)).toBe('–')
  })

  it('shows each kind of field with its unit', () => {
    expect(formatQuantity(Math.PI / 8, 'angle', 'mm')).toBe('22.5°')
    expect(formatQuantity(0.4, 'share', 'mm')).toBe('40\u202f%')
    expect(formatQuantity(1.5, 'factor', 'mm')).toBe('1.5')
  })

  it('says a sentence in the unit of the day', () => {
    const said = ['They take ', { length: 1.167 }, ', ', { count: 9 }, ' copies'] as const
    expect(sentenceText(said, 'mm')).toBe('They take 1\u202f167\u202fmm, 9 copies')
    expect(sentenceText(said, 'm')).toBe('They take 1.167\u202fm, 9 copies')
  })
})

describe('text for editing', () => {
  it('reads back to the same value within a trillionth, in every unit', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1000, max: 1000, noNaN: true }),
        fc.constantFrom(...lengthUnits),
        (metres, unit) => {
          const back = parseQuantity(editText(metres, 'length', unit), 'length', unit)
          expect(Math.abs((back.ok ? back.value : NaN) - metres)).toBeLessThanOrEqual(1e-11 * Math.abs(metres) + 1e-30)
        },
      ),
    )
  })
})
