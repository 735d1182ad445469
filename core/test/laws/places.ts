import { expect } from 'vitest'
import type { PatternOutcome } from '../../src/evaluate'
import { PlaceIndex } from '../../src/geometry/placeIndex'
import { fromTurns } from '../../src/geometry/rotation'
import type { InstanceTable } from '../../src/instances'
import type { Pattern } from '../../src/model/pattern'

/** A point brought out of axes that are moved and turned: written out here, so that nothing of what is tested is used. */
export function placedBy(
  { move, turn: [x, y, z, w] }: { readonly move: readonly number[]; readonly turn: readonly number[] },
  [a, b, c]: readonly number[],
): number[] {
  const [tx, ty, tz] = [2 * (y * c - z * b), 2 * (z * a - x * c), 2 * (x * b - y * a)]
  return [
    a + w * tx + y * tz - z * ty + move[0],
    b + w * ty + z * tx - x * tz + move[1],
    c + w * tz + x * ty - y * tx + move[2],
  ]
}

/** Where the copies of a table that are present stand in the world. */
export function placesOf(table: InstanceTable, { place }: Pick<Pattern, 'place'>): number[][] {
  const out: number[][] = []
  const turn = fromTurns(place.turn)
  for (let k = 0; k < table.count; k++)
    if (table.isPresent(k)) out.push(placedBy({ move: place.move, turn }, table.moveOf(k)))
  return out
}

export const worldPlaces = (patterns: readonly Pattern[], outcomes: readonly PatternOutcome[]): number[][] =>
  patterns.flatMap((p, i) => (p.hidden ? [] : placesOf(outcomes[i].expanded, p)))

/** The same places, whatever their order: each of one has one of the other within so much of how far they reach. */
export function expectSamePlaces(a: readonly number[][], b: readonly number[][], within = 1e-9): void {
  expect(a.length).toBe(b.length)
  const reach = a.reduce((most, p) => Math.max(most, ...p.map(Math.abs)), 1)
  const left = new Set(b.keys())
  const byX = [...b.keys()].sort((i, j) => b[i][0] - b[j][0])
  for (const p of a) {
    let low = 0
    for (let high = byX.length; low < high;) {
      const middle = (low + high) >> 1
      if (b[byX[middle]][0] < p[0] - within * reach) low = middle + 1
      else high = middle
    }
    let found: number | undefined
    for (let n = low; n < byX.length && b[byX[n]][0] <= p[0] + within * reach; n++) {
      const q = b[byX[n]]
      if (left.has(byX[n]) && Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]) <= within * reach) {
        found = byX[n]
        break
      }
    }
    expect(found, `nothing stands at ${p.join(', ')}`).toBeDefined()
    left.delete(found!)
  }
}

/** Each place once. */
export function distinct(places: readonly number[][]): number[][] {
  const known = new PlaceIndex(1e-3, { expected: places.length })
  return places.filter(([x, y, z]) => known.find(x, y, z, 1e-6) < 0 && known.add(x, y, z) >= 0)
}

/** Where the copies of a pattern stand; 0 and −0 are one. */
export const standingOf = ({ table }: PatternOutcome): unknown => ({
  position: Array.from(table.position.subarray(0, 3 * table.count), (n) => n + 0),
  quaternion: Array.from(table.quaternion.subarray(0, 4 * table.count), (n) => n + 0),
  scale: Array.from(table.scale.subarray(0, 3 * table.count), (n) => n + 0),
  present: Array.from({ length: table.count }, (_, k) => table.isPresent(k)),
})
