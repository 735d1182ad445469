import fc from 'fast-check'
import { expect, it } from 'vitest'
import { greatest, least } from './extremes'

it('the least and the greatest are those of Math, of however many', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ noNaN: true })), (all) => {
      expect([least(all), greatest(all)]).toEqual([Math.min(...all), Math.max(...all)])
    }),
  )
  const many = Float64Array.from({ length: 500_000 }, (_, k) => Math.sin(k))
  expect(greatest(many) - least(many)).toBeCloseTo(2, 9)
})
