import { describe, expect, it } from 'vitest'
import { Pace } from './pace'

describe('how much can be drawn in a time', () => {
  it('little is always drawn whole, and tells nothing', () => {
    const pace = new Pace()
    pace.took(1000, 5000)
    expect([pace.share(50_000, 1), pace.forecast(10_000_000)]).toEqual([1, 0])
  })

  it('before anything is known a million are tried', () => {
    expect(new Pace().share(4_000_000, 40)).toBe(0.25)
  })

  it('is learnt from what was drawn, and follows a machine that slows down', () => {
    const pace = new Pace()
    pace.took(1_000_000, 100)
    expect(pace.forecast(2_000_000)).toBeCloseTo(200, 9)
    expect(pace.share(4_000_000, 40)).toBeCloseTo(0.1, 9)
    for (let i = 0; i < 20; i++) pace.took(1_000_000, 400)
    expect(pace.share(4_000_000, 40)).toBeCloseTo(0.025, 3)
    // Never nothing at all.
    expect(pace.share(1e9, 0.001)).toBeGreaterThan(0)
  })
})
