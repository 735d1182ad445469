import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PlaceIndex } from './placeIndex'

const number = fc.integer({ min: -300, max: 300 }).map((n) => n / 97)
const points = fc.array(fc.tuple(number, number, number), { maxLength: 120 })

describe('an index of places', () => {
  it('finds what trying all points finds, however far is looked and however many were expected', () => {
    fc.assert(
      fc.property(
        points,
        fc.tuple(number, number, number),
        fc.integer({ min: 0, max: 200 }).map((n) => n / 89),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.integer({ min: 0, max: 200 }),
        (all, at, within, side, expected) => {
          const index = new PlaceIndex(side, { expected })
          for (const [n, p] of all.entries()) expect(index.add(...p)).toBe(n)
          const far = all.map((p) => p.reduce((sum, x, i) => sum + (x - at[i]) ** 2, 0))
          const least = Math.min(...far)
          const nearest = index.nearest(...at, within)
          expect(nearest).toBe(least <= within * within ? far.indexOf(least) : -1)
          const odd = index.find(...at, within, (n) => n % 2 === 1)
          expect(odd >= 0).toBe(far.some((d, n) => n % 2 === 1 && d <= within * within))
          if (odd >= 0) expect(far[odd]).toBeLessThanOrEqual(within * within)
        },
      ),
    )
  })

  it('looks in one layer alone where all points are flat', () => {
    const index = new PlaceIndex(0.1, { flat: true })
    index.add(0.5, -0.5, 7)
    expect(index.find(0.52, -0.5, 7, 0.1)).toBe(0)
    expect(index.find(0.65, -0.5, 7, 0.1)).toBe(-1)
    expect(index.at(0)).toEqual([0.5, -0.5, 7])
  })
})
