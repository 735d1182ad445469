import BezierEasing from 'bezier-easing'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Curve, curves, eased } from '../../src/motion/easing'

const inTime = fc.double({ min: 0, max: 1, noNaN: true })
/** Of a time so near to 0 that its first guess has no slope at all, the reference gives the guess back. */
const pastStart = fc.double({ min: 1e-6, max: 1, noNaN: true })
const anywhere = fc.double({ min: -2, max: 3, noNaN: true })

describe('easing curves (CSS Easing Functions Level 1, 2.2)', () => {
  it('agree with bezier-easing, a reference library, to 1e-6 for the curves that have names', () => {
    for (const [x1, y1, x2, y2] of Object.values(curves)) {
      const theirs = BezierEasing(x1, y1, x2, y2)
      for (let i = 0; i <= 1000; i++) expect(eased([x1, y1, x2, y2], i / 1000)).toBeCloseTo(theirs(i / 1000), 6)
    }
  })

  it('agree with it for typed curves, where it is as exact: away from places where time all but stands still', () => {
    fc.assert(
      fc.property(inTime, anywhere, inTime, anywhere, pastStart, (x1, y1, x2, y2, at) => {
        const theirs = BezierEasing(x1, y1, x2, y2)(at)
        // Its own table of eleven samples ends at a miss of 1e-7 in time; how far that reaches goes by the slope there.
        const around = Math.abs(eased([x1, y1, x2, y2], at + 1e-6) - eased([x1, y1, x2, y2], at - 1e-6))
        expect(Math.abs(eased([x1, y1, x2, y2], at) - theirs)).toBeLessThan(1e-6 + 2 * around)
      }),
      { numRuns: 1000 },
    )
  })

  it('solve the curve: what is asked for is a point of it, by the polynomial in Bernstein form', () => {
    const point = (a: number, b: number, u: number): number =>
      3 * (1 - u) ** 2 * u * a + 3 * (1 - u) * u ** 2 * b + u ** 3
    fc.assert(
      fc.property(inTime, anywhere, inTime, anywhere, inTime, (x1, y1, x2, y2, u) => {
        const curve: Curve = [x1, y1, x2, y2]
        const slope = 3 * (1 - u) ** 2 * x1 + 6 * (1 - u) * u * (x2 - x1) + 3 * u ** 2 * (1 - x2)
        fc.pre(slope > 1e-3)
        expect(eased(curve, point(x1, x2, u))).toBeCloseTo(point(y1, y2, u), 8)
      }),
      { numRuns: 1000 },
    )
  })

  it('begin and end exactly, whatever lies between', () => {
    for (const curve of [[0.3, -5, 0.4, 9], 'softly'] as const)
      for (const [share, to] of [
        [0, 0],
        [1, 1],
        [-1, 0],
        [2, 1],
      ])
        expect(eased(curve, share)).toBe(to)
  })
})
