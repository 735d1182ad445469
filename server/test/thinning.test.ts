import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MOST_BY_ITSELF } from '../src/api'
import { thinnedOut } from '../src/thinning'

const DAY = 86_400_000
const NOW = Date.UTC(2026, 5, 15, 12)
/** Versions of so many milliseconds ago, called by their ages. */
const aged = (...ages: number[]) => ages.map((age) => ({ id: `${age}`, created_at: new Date(NOW - age).toISOString() }))

describe('versions that were kept by themselves', () => {
  it('stay for a day, one a day for a month, one a week after that', () => {
    const hour = DAY / 24
    const lastDay = aged(0, hour, 5 * hour, 23 * hour)
    expect(thinnedOut(lastDay, NOW)).toEqual([])
    // 30 and 31 h before noon of the 15th is the 14th, 37 and 50 h the 13th.
    const [today, yesterday] = [aged(hour), aged(30 * hour, 31 * hour, 37 * hour, 50 * hour)]
    expect(thinnedOut([...today, ...yesterday], NOW)).toEqual([`${31 * hour}`, `${50 * hour}`])
    const weeks = aged(40 * DAY, 41 * DAY, 60 * DAY)
    expect(thinnedOut(weeks, NOW)).toEqual([`${41 * DAY}`])
  })

  it('are never more than can be kept, the newest always stays, and thinning twice is once', () => {
    const ages = fc.uniqueArray(fc.integer({ min: 0, max: 400 * DAY }), { minLength: 1, maxLength: 200 })
    fc.assert(
      fc.property(ages, (made) => {
        const all = aged(...made.toSorted((a, b) => a - b))
        const gone = new Set(thinnedOut(all, NOW))
        const left = all.filter(({ id }) => !gone.has(id))
        expect(gone.has(all[0].id)).toBe(false)
        expect(left.length).toBeLessThanOrEqual(MOST_BY_ITSELF)
        expect(thinnedOut(left, NOW)).toEqual([])
      }),
    )
  })
})
