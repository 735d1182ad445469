import { describe, expect, it } from 'vitest'
import { minimalStandard } from '../../test/shapes'
import { unevenIn } from './uneven'

/** Steps of one length, each rounded as a figure that is typed or a 32-bit file rounds it. */
function even(random: () => number): number[] {
  const step = 0.01 + 3 * random()
  const count = 4 + Math.floor(60 * random())
  const places = Array.from({ length: count + 1 }, (_, i) => {
    const exact = 20 * (random() < 0.5 ? 0 : 1) + i * step
    return random() < 0.5 ? Math.fround(exact) : Math.round(exact * 1e5) / 1e5
  })
  return places.slice(1).map((place, i) => place - places[i])
}

describe('uneven steps in what looks even', () => {
  it('a row of 10 000 even ones with rounding noise is called uneven in less than one of a hundred', () => {
    const random = minimalStandard(7)
    let alarms = 0
    for (let n = 0; n < 10_000; n++) if (unevenIn(even(random))) alarms++
    expect(alarms).toBeLessThan(100)
  })

  it('one copy that was pushed by a known jitter is found, with the two steps that it spoils', () => {
    const random = minimalStandard(11)
    for (let n = 0; n < 500; n++) {
      const steps = Array.from({ length: 12 }, () => 0.2)
      const at = Math.floor(10 * random())
      const off = (0.0005 + 0.02 * random()) * (random() < 0.5 ? -1 : 1)
      steps[at] += off
      steps[at + 1] -= off
      const found = unevenIn(steps)
      expect(found?.out).toEqual([at, at + 1])
      expect(found?.worst).toBeCloseTo(Math.abs(off), 12)
    }
  })

  it('what is uneven throughout, or has the end of a row in it, does not look even', () => {
    const random = minimalStandard(13)
    expect(unevenIn(Array.from({ length: 40 }, () => 0.1 + 0.1 * random()))).toBeUndefined()
    expect(unevenIn([0.2, 0.2, 0.2, 0.9, 0.2, 0.2, 0.2, 0.9, 0.2, 0.2])).toBeUndefined()
    expect(unevenIn([0.2, 0.2, 0.21])).toBeUndefined()
  })
})
