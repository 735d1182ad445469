import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaBeyond, areaOf, depthAt } from './area'
import { bands } from './bands'
import { curvesAtDepth } from './levels'
import type { Scatter } from './spread'

const margin = (least: number) => ({ least, most: least, of: () => least })
const pairs = ({ points, count }: Scatter): [number, number][] =>
  Array.from({ length: count }, (_, k) => [points[2 * k], points[2 * k + 1]])
const nearest = (all: [number, number][]): number => {
  let least = Infinity
  for (const [i, a] of all.entries())
    for (const b of all.slice(i + 1)) least = Math.min(least, Math.hypot(a[0] - b[0], a[1] - b[1]))
  return least
}

describe('curves at a depth', () => {
  it('of a rectangle are the rectangles drawn in', () => {
    const [curve, ...more] = curvesAtDepth(areaOf({ kind: 'rectangle', width: 1, depth: 0.6 }), 0.1, 0.01)
    expect(more).toEqual([])
    const [xs, ys] = [0, 1].map((i) => Array.from(curve).filter((_, k) => k % 2 === i))
    expect(Math.max(...xs)).toBeCloseTo(0.4, 9)
    expect(Math.min(...ys)).toBeCloseTo(-0.2, 9)
    const away = xs.map((x, k) => Math.min(Math.abs(Math.abs(x) - 0.4), Math.abs(Math.abs(ys[k]) - 0.2)))
    expect(Math.max(...away)).toBeLessThan(1e-9)
    // With all four corners.
    for (const [x, y] of [
      [0.4, 0.2],
      [-0.4, 0.2],
      [-0.4, -0.2],
      [0.4, -0.2],
    ])
      expect(Math.min(...xs.map((px, k) => Math.hypot(px - x, ys[k] - y)))).toBeLessThan(1e-9)
  })
  it('come apart where an outline is narrow, and go round a hole', () => {
    const waist: [number, number][] = [
      [-1, -0.5],
      [0, -0.1],
      [1, -0.5],
      [1, 0.5],
      [0, 0.1],
      [-1, 0.5],
    ]
    const hole: [number, number][] = [
      [-0.7, -0.05],
      [-0.6, -0.05],
      [-0.6, 0.05],
      [-0.7, 0.05],
    ]
    expect(curvesAtDepth(areaOf({ kind: 'polygon', points: waist }), 0.05, 0.01)).toHaveLength(1)
    expect(curvesAtDepth(areaOf({ kind: 'polygon', points: waist }), 0.15, 0.01)).toHaveLength(2)
    expect(curvesAtDepth(areaOf({ kind: 'polygon', points: waist, more: [hole] }), 0.05, 0.01)).toHaveLength(2)
  })
})

describe('bands', () => {
  it('of a disc are rings of as many as have room: n = ⌊π ÷ asin(s ÷ 2r)⌋', () => {
    const area = areaOf({ kind: 'ellipse', width: 2, depth: 2 })
    const all = pairs(bands(area, margin(0.1), 10_000, 0.1))
    for (let band = 0; band < 8; band++) {
      const r = 0.9 - band * 0.1
      const own = all.filter(([x, y]) => Math.abs(Math.hypot(x, y) - r) < 1e-3)
      // The disc is walked round in 360 chords: where all but one more would fit, that tells.
      const exact = Math.PI / Math.asin(0.1 / (2 * r))
      expect(own.length, `ring of ${r}`).toBe(Math.floor(exact))
      const angles = own.map(([x, y]) => Math.atan2(y, x)).sort((a, b) => a - b)
      const steps = angles.map((a, i) => (i > 0 ? a - angles[i - 1] : a - angles.at(-1)! + 2 * Math.PI))
      expect(Math.max(...steps) - Math.min(...steps)).toBeLessThan(0.02)
    }
  })

  it('fill from the edge inward; growing the count keeps those that there were', () => {
    const area = areaOf({ kind: 'rectangle', width: 1, depth: 0.6 })
    const [few, many] = [20, 60].map((count) => bands(area, margin(0), count, 0.1))
    expect(pairs(many).slice(0, 20)).toEqual(pairs(few))
    expect(Array.from(many.darts.subarray(0, 20))).toEqual(Array.from(few.darts))
    for (const [x, y] of pairs(few)) expect(depthAt(area, x, y)).toBeCloseTo(0, 8)
    expect(new Set(many.darts).size).toBe(60)
    // Round 1 m by 0.6 m go 32 steps of 0.1 m, round the next one 24: one lies in each corner.
    expect(pairs(many).filter(([x, y]) => Math.abs(depthAt(area, x, y)) < 1e-8)).toHaveLength(32)
    for (const x of [-0.5, 0.5])
      for (const y of [-0.3, 0.3])
        expect(Math.min(...pairs(many).map(([px, py]) => Math.hypot(px - x, py - y)))).toBeLessThan(1e-8)
  })

  it('no two are nearer than asked and none is outside, whatever the outline and what is kept out of it', () => {
    const coordinate = fc.integer({ min: -100, max: 100 }).map((n) => n / 100)
    fc.assert(
      fc.property(
        fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 9 }),
        fc.double({ min: 0.06, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        fc.option(coordinate),
        (points, least, inset, walk) => {
          const plain = areaOf({ kind: 'polygon', points })
          fc.pre(plain.size > 0.05)
          const area = walk === null ? plain : areaBeyond(plain, (x) => Math.abs(x - walk) - 0.1 + inset)
          const all = pairs(bands(area, margin(inset), 500, least))
          for (const [x, y] of all) expect(depthAt(area, x, y)).toBeGreaterThanOrEqual(inset - 2e-9)
          if (all.length > 1) expect(nearest(all)).toBeGreaterThanOrEqual(least * (1 - 1e-8))
        },
      ),
      { numRuns: 60 },
    )
  })
})
