import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { composed, takenApart, times } from './matrix'
import type { Quaternion } from './rotation'

const number = (most: number) => fc.double({ min: -most, max: most, noNaN: true })
const turns = fc
  .tuple(number(1), number(1), number(1), number(1))
  .filter((q) => Math.hypot(...q) > 0.1)
  .map((q) => q.map((n) => n / Math.hypot(...q)) as unknown as Quaternion)
const moves = fc.tuple(number(9), number(9), number(9))

describe('a matrix taken apart', () => {
  it('gives the same matrix again, of any move, turn and sizes', () => {
    const sizes = fc.double({ min: 0.1, max: 10, noNaN: true })
    fc.assert(
      fc.property(moves, turns, fc.tuple(sizes, sizes, sizes), fc.boolean(), (move, turn, size, mirrored) => {
        const across = composed([0, 0, 0], [0, 0, 0, 1], [mirrored ? -1 : 1, 1, 1])
        const matrix = times(composed(move, turn, size), across)
        const apart = takenApart(matrix)!
        expect(apart.mirrored).toBe(mirrored)
        const again = times(composed(apart.move, apart.turn, apart.size), across)
        for (const [i, n] of again.entries()) expect(n).toBeCloseTo(matrix[i], 6)
      }),
    )
  })

  it('is neither larger nor smaller where only a turn was written, in as many digits as files have', () => {
    fc.assert(
      fc.property(moves, turns, fc.boolean(), (move, turn, single) => {
        const written = single ? turn.map(Math.fround) : turn
        expect(takenApart(composed(move, written, [1, 1, 1]))!.size).toEqual([1, 1, 1])
      }),
    )
  })

  it('says nothing of what leans or is pressed flat', () => {
    const leaning = [1, 0, 0, 0, 0.2, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]
    expect(takenApart(leaning)).toBeUndefined()
    expect(takenApart(composed([0, 0, 0], [0, 0, 0, 1], [1, 0, 1]))).toBeUndefined()
  })
})
