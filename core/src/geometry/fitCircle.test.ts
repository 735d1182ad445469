import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fitCircle } from './fitCircle'

const misfit = (places: readonly (readonly [number, number])[], [x, y]: readonly number[], radius: number): number =>
  places.reduce((sum, p) => sum + (Math.hypot(p[0] - x, p[1] - y) - radius) ** 2, 0)

describe('the circle that fits', () => {
  it('is the one on which places lie, far from the origin and on a short arc too', () => {
    fc.assert(
      fc.property(
        fc.record({
          x: fc.double({ min: -1000, max: 1000, noNaN: true }),
          y: fc.double({ min: -1000, max: 1000, noNaN: true }),
          radius: fc.double({ min: 0.05, max: 50, noNaN: true }),
          from: fc.double({ min: 0, max: 6, noNaN: true }),
          sweep: fc.double({ min: 0.8, max: 6, noNaN: true }),
          count: fc.integer({ min: 3, max: 12 }),
        }),
        ({ x, y, radius, from, sweep, count }) => {
          const places = Array.from({ length: count }, (_, k) => {
            const angle = from + (k * sweep) / count
            return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const
          })
          const found = fitCircle(places)!
          // Places a thousand metres away are known to 1e-13 m, and a short arc makes some hundred times more of it.
          expect(Math.abs(found.radius - radius)).toBeLessThan(1e-10)
          expect(Math.hypot(found.centre[0] - x, found.centre[1] - y)).toBeLessThan(1e-10)
        },
      ),
    )
  })

  it('leaves less over than any circle beside it', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.1, max: 0.1, noNaN: true }), { minLength: 5, maxLength: 12 }), (off) => {
        const places = off.map((by, k) => {
          const angle = (2 * Math.PI * k) / off.length
          return [(1 + by) * Math.cos(angle), (1 + by) * Math.sin(angle)] as const
        })
        const { centre, radius } = fitCircle(places)!
        const least = misfit(places, centre, radius)
        for (const by of [-1e-3, 1e-3]) {
          expect(misfit(places, [centre[0] + by, centre[1]], radius)).toBeGreaterThanOrEqual(least)
          expect(misfit(places, [centre[0], centre[1] + by], radius)).toBeGreaterThanOrEqual(least)
          expect(misfit(places, centre, radius + by)).toBeGreaterThanOrEqual(least)
        }
      }),
    )
  })

  it('is none through two, on a line, or on one place', () => {
    expect(fitCircle([[0, 0], [1, 1]])).toBeUndefined() // prettier-ignore
    expect(fitCircle([[0, 0], [1, 1], [2, 2], [3, 3]])).toBeUndefined() // prettier-ignore
    expect(fitCircle([[2, 2], [2, 2], [2, 2]])).toBeUndefined() // prettier-ignore
  })
})
