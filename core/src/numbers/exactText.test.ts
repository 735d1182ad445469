import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { exactText } from './exactText'
import { parseQuantity } from './parse'
import { type Quantity, lengthUnits } from './units'

describe('a value as text', () => {
  it.each([
    [0.0127, 'length', 'mm', '12.7 mm'],
    [0.0127, 'length', 'in', '0.5 in'],
    [1.18, 'length', 'mm', '1180 mm'],
    [-0.1, 'length', 'cm', '-10 cm'],
    [Math.PI / 8, 'angle', 'mm', '22.5°'],
    [0.4, 'share', 'mm', '40 %'],
    [18, 'count', 'mm', '18'],
    [12, 'density', 'mm', '12 /m²'],
    [0, 'length', 'in', '0 in'],
  ] as const)('%f as %s in %s is %s', (value, quantity, unit, text) => {
    expect(exactText(value, quantity, unit)).toBe(text)
  })

  it('is read back as the same double, whatever it is, in every unit', () => {
    const quantities: Quantity[] = ['length', 'angle', 'share', 'count', 'factor', 'density']
    fc.assert(
      fc.property(
        fc.double({ min: -1e6, max: 1e6, noNaN: true }).filter((n) => n === 0 || Math.abs(n) > 1e-9),
        fc.constantFrom(...quantities),
        fc.constantFrom(...lengthUnits),
        (value, quantity, unit) => {
          const read = parseQuantity(exactText(value, quantity, unit), quantity, unit)
          expect(read.ok && read.value === value).toBe(true)
        },
      ),
      { numRuns: 2000 },
    )
  })
})
