import { describe, expect, it } from 'vitest'
import { rotate } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import { lengthThrough, placesAlong } from './alongLine'

const bent: Vec3[] = [
  [0, 0, 0],
  [1, 0, 0],
  [1, 0, -0.5],
]

describe('places along a drawn line', () => {
  it('B15: are length ÷ distance, rounded down, and one', () => {
    for (const [every, count] of [
      [0.1, 16],
      [0.4, 4],
      [0.5, 4],
      [1.5, 2],
      [2, 1],
    ])
      expect(placesAlong(bent, every, 1000), `every ${every}`).toHaveLength(count)
    expect(lengthThrough(bent)).toBe(1.5)
  })

  it('go round its corners by true length, and look along it', () => {
    const [a, b, c, d] = placesAlong(bent, 0.4, 1000)
    expect([a.move, b.move]).toEqual([
      [0, 0, 0],
      [0.4, 0, 0],
    ])
    for (const [i, n] of [1, 0, -0.2].entries()) expect(d.move[i]).toBeCloseTo(n, 12)
    for (const [i, n] of [1, 0, 0].entries()) expect(rotate(c.turn, [1, 0, 0])[i]).toBeCloseTo(n, 12)
    for (const [i, n] of [0, 0, -1].entries()) expect(rotate(d.turn, [1, 0, 0])[i]).toBeCloseTo(n, 12)
  })

  it('are no more than asked, and one on a single point', () => {
    expect(placesAlong(bent, 0.001, 20)).toHaveLength(20)
    expect(placesAlong([[3, 2, 1]], 0.1, 20)).toEqual([{ move: [3, 2, 1], turn: [0, 0, 0, 1] }])
  })
})
