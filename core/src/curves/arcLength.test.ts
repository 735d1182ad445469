import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Vec3 } from '../values/values'
import { arcLengthOf } from './arcLength'
import { cubic } from './segment'
import { smoothThrough } from './smooth'

const coordinate = fc.double({ min: -3, max: 3, noNaN: true })
const point = fc.tuple(coordinate, coordinate, coordinate)

const between = (a: Vec3, b: Vec3, t: number): Vec3 => a.map((n, i) => n + (b[i] - n) * t) as Vec3

describe('true length', () => {
  it('adds up when a curve is cut, and the cut lies where its length says', () => {
    fc.assert(
      fc.property(point, point, point, point, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (a, b, c, d, t) => {
        const whole = arcLengthOf({ segments: [cubic(a, b, c, d)], closed: false })
        // De Casteljau: the part before t and the part after it, each measured as a curve of its own.
        const [ab, bc, cd] = [between(a, b, t), between(b, c, t), between(c, d, t)]
        const [abc, bcd] = [between(ab, bc, t), between(bc, cd, t)]
        const cut = between(abc, bcd, t)
        const before = arcLengthOf({ segments: [cubic(a, ab, abc, cut)], closed: false }).length
        const after = arcLengthOf({ segments: [cubic(cut, bcd, cd, d)], closed: false }).length
        expect(Math.abs(before + after - whole.length)).toBeLessThan(1e-9 * (1 + whole.length))
        expect(Math.hypot(...whole.at(before).point.map((n, i) => n - cut[i]))).toBeLessThan(1e-8 * (1 + whole.length))
      }),
      { numRuns: 300 },
    )
  })

  it('finds places on a long curve as exactly as on its pieces alone', () => {
    const points = Array.from({ length: 301 }, (_, i): Vec3 => [i, 0.8 * Math.sin(i * 1.7), Math.cos(i * 2.3)])
    const segments = smoothThrough(points, false)
    const whole = arcLengthOf({ segments, closed: false })
    let from = 0
    for (const segment of segments) {
      const piece = arcLengthOf({ segments: [segment], closed: false })
      for (const share of [0.13, 0.5, 0.77]) {
        const [a, b] = [whole.at(from + share * piece.length).point, piece.at(share * piece.length).point]
        expect(Math.hypot(...a.map((n, i) => n - b[i]))).toBeLessThan(1e-8 * whole.length)
      }
      from += piece.length
    }
    expect(from).toBeCloseTo(whole.length, 9)
  })
})
