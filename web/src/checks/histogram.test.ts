import { describe, expect, it } from 'vitest'
import { histogram } from './histogram'

describe('bars of a chart', () => {
  const label = (n: number): string => n.toFixed(2)
  it('count every value once, both lists in the same bars', () => {
    const now = Array.from({ length: 100 }, (_, i) => i / 99)
    const { labels, now: a, before: b } = histogram(now, [0, 0.5, 1], label)
    expect(labels).toHaveLength(14)
    expect(a.reduce((s, n) => s + n)).toBe(100)
    expect(b.reduce((s, n) => s + n)).toBe(3)
    expect([b[0], b[7], b[13]]).toEqual([1, 1, 1])
  })
  it('of one value are one bar, of none none', () => {
    expect(histogram([1, 1, 1 + 1e-12], [1], label)).toEqual({ labels: ['1.00'], now: [3], before: [1] })
    expect(histogram([], [], label).labels).toEqual([])
  })
})
