import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runsOfPath } from '../curves/svgPath'
import { Randomness } from '../random'
import { outlineOfRuns } from '../solids/outlineOfRuns'
import type { OutlineShape } from '../values/outline'
import { areaOf, depthAt } from './area'
import { outlinesCross } from './crossing'
import { lattice } from './lattice'
import { type Margin, atRandom, evenly } from './spread'

const square = (half: number, x = 0): [number, number][] => [
  [x - half, -half],
  [x + half, -half],
  [x + half, half],
  [x - half, half],
]
/** A square of 4 m with a hole of 2 m, in that an island of 1 m, and another square of 2 m beside it. */
const holed: OutlineShape = { kind: 'polygon', points: square(2), more: [square(1), square(0.5), square(1, 6)] }
const margin = (n: number): Margin => ({ least: n, most: n, of: () => n })

describe('an area with holes', () => {
  it('is what lies inside an odd number of its outlines', () => {
    const area = areaOf(holed)
    expect(area.size).toBeCloseTo(16 - 4 + 1 + 4, 12)
    expect([depthAt(area, 1.5, 0), depthAt(area, 0.75, 0), depthAt(area, 0, 0), depthAt(area, 6, 0)]).toEqual([
      0.5, -0.25, 0.5, 1,
    ])
    expect(outlinesCross(area)).toBe(false)
    expect(outlinesCross(areaOf({ kind: 'polygon', points: square(2), more: [square(1, 2)] }))).toBe(true)
    // A bow tie crosses itself.
    expect(
      outlinesCross(
        areaOf({
          kind: 'polygon',
          points: [
            [0, 0],
            [1, 1],
            [1, 0],
            [0, 1],
          ],
        }),
      ),
    ).toBe(true)
  })

  it('F4: no copy stands in a hole nor nearer to any edge than asked, however they are spread', () => {
    const area = areaOf(holed)
    const random = new Randomness(3, 'p', 'fill')
    for (const { points, count } of [
      atRandom(area, margin(0.1), 400, random),
      evenly(area, margin(0.1), 400, 0.2, random),
      lattice(area, margin(0.1), 400, 0.2, 'square'),
      lattice(area, margin(0.1), 400, 0.2, 'hexagonal'),
    ]) {
      expect(count).toBeGreaterThan(100)
      for (let i = 0; i < count; i++)
        expect(depthAt(area, points[2 * i], points[2 * i + 1])).toBeGreaterThanOrEqual(0.1)
    }
  })

  it('of a drawing lies down with its middle at the origin, its counters as holes', () => {
    const runs = runsOfPath('M0 0H100V60H0Z M20 20H40V40H20Z', [0.01, 0, 0, -0.01, 0, 0])
    const made = outlineOfRuns(runs, 'plate.svg')
    if (!made.ok) throw new Error('refused')
    const area = areaOf(made.value)
    expect(area.size).toBeCloseTo(1 * 0.6 - 0.04, 12)
    expect([area.low, area.high].flat().map((n) => Math.round(n * 1e9) / 1e9)).toEqual([-0.5, -0.3, 0.5, 0.3])
    expect(outlineOfRuns(runsOfPath('M0 0H100', [1, 0, 0, 1, 0, 0]), 'line.svg').ok).toBe(false)
  })
})

describe('rows', () => {
  it('are as far apart as asked, and a higher count keeps those that there were', () => {
    fc.assert(
      fc.property(fc.constantFrom('square', 'hexagonal'), fc.integer({ min: 2, max: 60 }), (how, count) => {
        const area = areaOf({ kind: 'rectangle', width: 3, depth: 2 })
        const [few, many] = [count, count + 7].map((n) => lattice(area, margin(0), n, 0.3, how as 'square'))
        expect([...many.darts.subarray(0, count)]).toEqual([...few.darts])
        expect([...many.points.subarray(0, 2 * count)]).toEqual([...few.points])
        let nearest = Infinity
        for (let i = 0; i < few.count; i++)
          for (let j = 0; j < i; j++)
            nearest = Math.min(
              nearest,
              Math.hypot(few.points[2 * i] - few.points[2 * j], few.points[2 * i + 1] - few.points[2 * j + 1]),
            )
        expect(Math.abs(nearest - 0.3)).toBeLessThan(1e-12)
      }),
    )
  })
})
