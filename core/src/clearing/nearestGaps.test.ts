import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ball, box } from '../../test/projects'
import { InstanceTable } from '../instances'
import { Bodies } from './bodies'
import { convexOf } from '../parts/convex'
import { gapOf } from './gap'
import { nearestGaps } from './nearestGaps'

const parts = [ball('ball', 0.1), box('box', 0.2), box('bar', 2)]
const source = { parts, meshes: new Map() }
function bodiesAt(places: readonly (readonly [number, number, number])[]): Bodies {
  const table = new InstanceTable()
  table.neutral(places.length)
  places.forEach((at, k) => {
    table.setMove(k, [...at])
    table.thing[k] = k % parts.length
  })
  return new Bodies(table, (thing) => convexOf(parts[thing], source))
}

describe('the gap to the nearest', () => {
  it('is that of the nearest of all, near by or far off, also where they overlap', () => {
    const place = fc.tuple(
      ...[0, 1, 2].map(() => fc.oneof(fc.double({ min: 0, max: 0.5, noNaN: true }), fc.integer({ min: 0, max: 9 }))),
    )
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 14 }), (places) => {
        const bodies = bodiesAt(places as [number, number, number][])
        const found = nearestGaps(bodies)
        for (let i = 0; i < places.length; i++) {
          const all = places.flatMap((_, j) => (j === i ? [] : [gapOf(bodies, i, j).gap]))
          expect(found[i]).toBeCloseTo(Math.min(...all), 9)
        }
      }),
      { numRuns: 200 },
    )
  })
  it('is not that of a long one whose ball is near, where another stands nearer', () => {
    // From the ball to the bar 2.89 m, though their balls are no farther from each other than 2.0; to the box 2.11 m.
    const found = nearestGaps(
      bodiesAt([
        [0, 0, 3],
        [0, 1, 1],
        [0, 0, 0],
      ]),
    )
    expect(found[0]).toBeCloseTo(2.1105648, 7)
  })
  it('is found among many that all stand far from each other', () => {
    const far = Array.from({ length: 3000 }, (_, k) => [50 * (k % 60), 0, 50 * Math.floor(k / 60)] as const)
    const bodies = bodiesAt(far)
    const found = nearestGaps(bodies)
    for (const i of [0, 61, 1500]) {
      const all = far.flatMap((_, j) => (j === i ? [] : [gapOf(bodies, i, j).gap]))
      expect(found[i]).toBeCloseTo(Math.min(...all), 9)
    }
  })
  it('of one alone is none', () => {
    expect([...nearestGaps(bodiesAt([[0, 0, 0]]))]).toEqual([Infinity])
  })
})
