import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Vec3 } from '../values/values'
import { buildCurve } from './build'
import { arcLengthOf } from './arcLength'
import { NearestOnCurve } from './nearest'
import { cubic } from './segment'

const coordinate = fc.double({ min: -3, max: 3, noNaN: true })
const point = fc.tuple(coordinate, coordinate, coordinate)
const away = (a: readonly number[], b: readonly number[]): number => Math.hypot(...a.map((n, i) => n - b[i]))

describe('the nearest place of a curve', () => {
  it('of a circle is where the ray from its middle meets it', () => {
    const built = buildCurve({ kind: 'arc', radius: 2, start: 0, angle: 2 * Math.PI })
    if (!built.ok) throw new Error('not built')
    const measure = arcLengthOf(built.value[0])
    const nearest = new NearestOnCurve(measure)
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: 0.1, max: 5, noNaN: true }), (a, r) => {
        const place: Vec3 = [r * Math.cos(a), 0, r * Math.sin(a)]
        const found = nearest.to(place)
        expect(found.distance).toBeCloseTo(Math.abs(r - 2), 9)
        expect(away(measure.at(found.length).point, [2 * Math.cos(a), 0, 2 * Math.sin(a)])).toBeLessThan(1e-5)
      }),
    )
  })

  it('is as near as any of a thousand places, and as far along as it says', () => {
    fc.assert(
      fc.property(point, point, point, point, point, (a, b, c, d, place) => {
        const measure = arcLengthOf({ segments: [cubic(a, b, c, d)], closed: false })
        if (measure.length < 0.1) return
        const found = new NearestOnCurve(measure).to(place)
        expect(found.distance).toBeCloseTo(away(measure.at(found.length).point, place), 9)
        // Its length is exact to a millionth of the contour, so its distance is too.
        const slack = 1e-6 * measure.length
        for (let i = 0; i <= 1000; i++)
          expect(found.distance).toBeLessThan(away(measure.at((i / 1000) * measure.length).point, place) + slack)
      }),
      { numRuns: 40 },
    )
  })

  it('is that of the stretch that comes nearest, though another one was nearer where they were looked at', () => {
    const there: Vec3 = [0.00003992067243828462, 0, 0]
    const measure = arcLengthOf({
      segments: [cubic([0.0003797413459365983, 0, 0], [0, 0, 0], [-0.11210440933462872, 0, 0], [0, 0, 0])],
      closed: false,
    })
    expect(new NearestOnCurve(measure).to(there).distance).toBeLessThan(1e-6 * measure.length)
  })

  it('of an open curve may be its end', () => {
    const measure = arcLengthOf({ segments: [cubic([0, 0, 0], [1, 0, 0], [2, 0, 0], [3, 0, 0])], closed: false })
    const found = new NearestOnCurve(measure).to([5, 0, 0])
    expect(found.length).toBeCloseTo(3, 6)
    expect(found.distance).toBeCloseTo(2, 6)
  })
})
