import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { closer, shifted, timeScale } from './timeScale'

describe('how much of the time the strip shows', () => {
  const all = { from: 0, to: 5 }

  it('closer, the moment stays where it is seen; back again it is all', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5, noNaN: true }), fc.double({ min: 1, max: 19, noNaN: true }), (at, by) => {
        const near = closer(all, at, by, 5, 24)
        expect(near.to - near.from).toBeCloseTo(5 / by, 9)
        expect(timeScale(near, 932).x(at)).toBeCloseTo(timeScale(all, 932).x(at), 6)
        const back = closer(near, at, 2 * by, 5, 24)
        expect(back.to - back.from).toBeLessThanOrEqual(near.to - near.from)
        expect(closer(near, at, 1 / (2 * by), 5, 24)).toEqual(all)
      }),
    )
  })

  it('shows six pictures at the least, all of it at the most, and ends where the time ends', () => {
    const near = closer(all, 2, 1e6, 5, 24)
    expect(near.to - near.from).toBeCloseTo(6 / 24, 12)
    expect(closer({ from: 0, to: 0.1 }, 0, 9, 0.1, 24)).toEqual({ from: 0, to: 0.1 })
    expect(shifted({ from: 1, to: 2 }, 9, 5)).toEqual({ from: 4, to: 5 })
    expect(shifted({ from: 1, to: 2 }, -9, 5)).toEqual({ from: 0, to: 1 })
    expect(shifted(all, 3, 5)).toEqual(all)
  })

  it('its marks lie within what it shows', () => {
    const { ticks, x, seconds } = timeScale({ from: 1.9, to: 3.1 }, 500)
    expect(ticks.every((t) => t >= 1.9 - 1e-9 && t <= 3.1 + 1e-9)).toBe(true)
    expect(ticks.length).toBeGreaterThan(3)
    expect(seconds(x(2.5))).toBeCloseTo(2.5, 12)
  })
})
