import { describe, expect, it } from 'vitest'
import { rotate } from '../geometry/rotation'
import { buildSolid } from '../solids/build'
import { type PlaceOn, placesOn } from './placesOn'

const box = buildSolid({ kind: 'box', width: 0.2, height: 0.3, depth: 0.5 })
const outwards = ({ move, turn }: PlaceOn): number => {
  const way = rotate(turn, [0, 1, 0])
  // About the middle of a box that stands on the ground.
  return way[0] * move[0] + way[1] * (move[1] - 0.15) + way[2] * move[2]
}

describe('places on a part', () => {
  it('are the 8 corners, 6 faces and 12 edges of a box, all looking out', () => {
    for (const [kind, count] of [
      ['corners', 8],
      ['faces', 6],
      ['edges', 12],
    ] as const) {
      const found = placesOn(box, kind)
      expect(found).toHaveLength(count)
      for (const one of found) expect(outwards(one)).toBeGreaterThan(0.09)
    }
  })

  it('have the middle of a face where its area balances, and up along its normal', () => {
    const top = placesOn(box, 'faces').find(({ move }) => move[1] > 0.29)!
    for (const [i, n] of [0, 0.3, 0].entries()) expect(top.move[i]).toBeCloseTo(n, 6)
    for (const [i, n] of [0, 1, 0].entries()) expect(rotate(top.turn, [0, 1, 0])[i]).toBeCloseTo(n, 6)
  })

  it('count two flat ends and the sides of a tin, and keep to V − E + F = 2', () => {
    const tin = buildSolid({ kind: 'cylinder', width: 1, height: 1 })
    const [corners, faces, edges] = (['corners', 'faces', 'edges'] as const).map((kind) => placesOn(tin, kind).length)
    expect(corners - edges + faces).toBe(2)
    expect(faces).toBe(corners / 2 + 2)
  })

  it('of what has no faces are none', () => {
    expect(placesOn({ ...box, indices: new Uint32Array(0) }, 'corners')).toEqual([])
  })
})
