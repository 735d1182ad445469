import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ball, box } from '../../test/projects'
import { InstanceTable } from '../instances'
import { Bodies } from './bodies'
import { convexOf } from '../parts/convex'
import { gapOf } from './gap'
import { nearestGaps } from './nearestGaps'

const parts = [ball('ball', 0.1), box('box', 0.2)]
const source = { parts, meshes: new Map() }
function bodiesAt(places: readonly (readonly [number, number, number])[]): Bodies {
  const table = new InstanceTable()
  table.neutral(places.length)
  places.forEach((at, k) => {
    table.setMove(k, [...at])
    table.thing[k] = k % 2
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
  it('of one alone is none', () => {
    expect([...nearestGaps(bodiesAt([[0, 0, 0]]))]).toEqual([Infinity])
  })
})
