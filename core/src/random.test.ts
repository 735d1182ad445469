import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Randomness } from './random'

const values = (n: number, seed = 17, pattern = 'a', step = 's', channel = 0): number[] => {
  const random = new Randomness(seed, pattern, step)
  return Array.from({ length: n }, (_, k) => random.value(k, 0, channel))
}

/** χ² of values over so many equal bins. */
function chiSquare(list: number[], bins: number): number {
  const counts = new Array<number>(bins).fill(0)
  for (const v of list) counts[Math.floor(v * bins)]++
  const expected = list.length / bins
  return counts.reduce((sum, n) => sum + (n - expected) ** 2 / expected, 0)
}

describe('random values that belong to a copy', () => {
  it('are the same for the same copy, whatever else there is', () => {
    fc.assert(
      fc.property(
        fc.nat(0xffffffff),
        fc.nat(0xffffffff),
        fc.nat(0xffffffff),
        fc.nat(50),
        (seed, low, high, channel) => {
          const value = new Randomness(seed, 'shelf', 'vary').value(low, high, channel)
          expect(value).toBe(new Randomness(seed, 'shelf', 'vary').value(low, high, channel))
          expect(value).toBeGreaterThanOrEqual(0)
          expect(value).toBeLessThan(1)
        },
      ),
    )
  })

  it('are even over slots, seeds and channels: χ² of 100 bins below its 0.999 value', () => {
    // χ² with 99 degrees of freedom, 0.999: 148.23 (tables).
    const bySlot = values(100_000)
    const bySeed = Array.from({ length: 100_000 }, (_, seed) => new Randomness(seed, 'a', 's').value(5, 0, 0))
    const byChannel = Array.from({ length: 100_000 }, (_, channel) => new Randomness(1, 'a', 's').value(5, 0, channel))
    for (const list of [bySlot, bySeed, byChannel]) expect(chiSquare(list, 100)).toBeLessThan(148.23)
  })

  it('do not depend on each other between patterns, steps, channels and neighbouring seeds', () => {
    const correlation = (a: number[], b: number[]): number =>
      a.reduce((sum, x, i) => sum + (x - 0.5) * (b[i] - 0.5), 0) / (a.length / 12)
    const base = values(50_000)
    for (const other of [
      values(50_000, 18),
      values(50_000, 17, 'b'),
      values(50_000, 17, 'a', 't'),
      values(50_000, 17, 'a', 's', 1),
      [...base.slice(1), 0.5],
    ]) {
      // Five standard errors of a correlation of 50 000 pairs.
      expect(Math.abs(correlation(base, other))).toBeLessThan(5 / Math.sqrt(50_000))
    }
  })
})
