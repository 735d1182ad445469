import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rootsBetween } from './roots'

const from = (low: number, high: number, n: number): number[] =>
  Array.from({ length: n + 1 }, (_, i) => low + ((high - low) * i) / n)

describe('zeros between places', () => {
  it('are found to the last double, all of them', () => {
    const found = rootsBetween((x) => (x - 1) * (x - 2) * (x - 3.7), from(0.1, 5, 20), 1e-12)
    expect(found.map(({ at }) => at)).toEqual([1, 2, 3.7].map((n) => expect.closeTo(n, 13) as number))
  })

  it('a jump over 0 is none, and neither is a hole', () => {
    expect(rootsBetween((x) => (x < 1.23 ? -1 : 1), from(0, 2, 7), 1e-9)).toEqual([])
    expect(rootsBetween((x) => (x > 1 && x < 1.4 ? NaN : x - 1.2), from(0, 2, 10), 1e-9)).toEqual([])
  })

  it('of whatever rises, however steeply at one end', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), fc.integer({ min: 1, max: 9 }), (root, power) => {
        const [found] = rootsBetween((x) => x ** power - root ** power, from(0, 1, 8), 1e-9)
        expect(found.at).toBeCloseTo(root, 12)
      }),
    )
  })
})
