import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { histogram } from './histogram'

const barsOf = (now: readonly number[], before: readonly number[]) => {
  const made = histogram(now, before)
  if (made.as !== 'bars') throw new Error(`no bars, but ${made.as}`)
  return made
}

describe('bars of a chart', () => {
  it('have round edges and count every value once, both lists in the same bars', () => {
    const now = Array.from({ length: 100 }, (_, i) => i / 99)
    const { labels, now: a, before: b } = barsOf(now, [0, 0.5, 1])
    expect(labels).toEqual(['0', '0.1', '0.2', '0.3', '0.4', '0.5', '0.6', '0.7', '0.8', '0.9', '1'])
    expect(a.reduce((s, n) => s + n)).toBe(100)
    expect([b[0], b[5], b[10]]).toEqual([1, 1, 1])
  })

  it('are at most fourteen, and every value lies in the bar that its edges say', () => {
    const values = fc.array(fc.double({ min: -1e3, max: 1e3, noNaN: true }), { minLength: 2, maxLength: 60 })
    fc.assert(
      fc.property(values, (now) => {
        const made = histogram(now, now)
        if (made.as !== 'bars') return
        expect(made.labels.length).toBeLessThanOrEqual(14)
        expect(made.now).toEqual(made.before)
        expect(made.now.reduce((s, n) => s + n)).toBe(now.length)
        expect(made.now[0]).toBeGreaterThan(0)
        expect(made.now.at(-1)).toBeGreaterThan(0)
      }),
    )
  })

  it('of one value are none, it is said; of nothing nothing is', () => {
    expect(histogram([1, 1, 1 + 1e-12], [1])).toEqual({ as: 'one', now: 1, before: 1 })
    expect(histogram([3, 3], [2, 2])).toEqual({ as: 'one', now: 3, before: 2 })
    expect(histogram([], [])).toEqual({ as: 'none' })
  })
})
