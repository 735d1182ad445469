import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { box } from '../../test/projects'
import { fromTurns } from '../geometry/rotation'
import { convexOf } from '../parts/convex'
import { PairGap } from './pairGap'

const parts = [box('tin', 0.1), box('jar', 0.06)]
const shapes = parts.map((part) => convexOf(part, { parts, meshes: new Map() }))
/** Any angle as likely as any other: faces that are all but parallel come up by themselves. */
const angle = fc.noBias(fc.integer({ min: 0, max: 999_983 }).map((n) => (n / 999_983) * 6))
/** From one to the other: any angle, or next to nothing. */
const apart = fc.oneof(
  angle,
  fc.noBias(fc.double({ min: -8, max: -1, noNaN: true })).map((digits) => 10 ** digits),
)
const lean = fc.oneof(
  fc.constant(0),
  fc.integer({ min: -999, max: 999 }).map((n) => n / 9990),
)

describe('the gap between two bodies', () => {
  it('is right a hair from touching, where digits run out: moved on by so much it is no more than that, and back no less', () => {
    fc.assert(
      fc.property(angle, apart, lean, angle, (first, more, leaning, way) => {
        const gaps = new PairGap((thing) => shapes[thing])
        gaps.pair.thing[1] = 1
        gaps.pair.setTurn(0, fromTurns([0, first, 0]))
        gaps.take(0)
        gaps.pair.setTurn(1, fromTurns([0, first + more, leaning]))
        const at = (distance: number): number => {
          gaps.pair.setMove(1, [Math.cos(way) * distance, 0, Math.sin(way) * distance])
          gaps.take(1)
          return gaps.measure()
        }
        let [low, high] = [0.02, 0.25]
        for (let i = 0; i < 60; i++) {
          const middle = (low + high) / 2
          if (at(middle) < 0) low = middle
          else high = middle
        }
        // Depths, and so the place where both touch, are exact to a few millionths of the size, least so where faces are all but parallel.
        const exact = 1e-6
        for (const hair of [1e-3, 1e-5, 2e-6]) {
          expect(at(high + hair)).toBeGreaterThanOrEqual(0)
          expect(at(high + hair)).toBeLessThanOrEqual(hair + exact)
          expect(at(low - hair)).toBeLessThanOrEqual(0)
          expect(at(low - hair)).toBeGreaterThanOrEqual(-hair - exact)
        }
      }),
      { numRuns: 2000 },
    )
  })
})
