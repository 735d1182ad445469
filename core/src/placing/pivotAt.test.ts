import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fromTurns, rotate } from '../geometry/rotation'
import { type Vec3, plus } from '../geometry/vec'
import { framed } from '../parts/surface'
import { sides, turnOf } from '../values/values'
import { pivotAt } from './pivotAt'

const length = fc.double({ min: -2, max: 2, noNaN: true })
const vec = fc.tuple(length, length, length)
const size = fc.double({ min: 0.1, max: 4, noNaN: true })

describe('the pivot that a part would have at a place on a copy', () => {
  it('is the point of the shape that is seen there, however the part and the copy stand', () => {
    fc.assert(
      fc.property(
        vec,
        vec,
        vec,
        vec,
        fc.tuple(size, size, size),
        fc.boolean(),
        fc.constantFrom(...sides),
        fc.constantFrom(...sides),
        (point, pivot, move, turns, sized, isTwin, up, front) => {
          fc.pre(turnOf(up, front) !== undefined)
          const frame = { pivot: pivot as Vec3, up, front }
          const mesh = {
            positions: Float32Array.from(point),
            normals: Float32Array.from([0, 1, 0]),
            indices: new Uint32Array(),
            sections: [],
          }
          const [x, y, z] = framed(mesh, frame).positions
          const own: Vec3 = [(isTwin ? -x : x) * sized[0], y * sized[1], z * sized[2]]
          const turn = fromTurns(turns as Vec3)
          const seen = plus(move as Vec3, rotate(turn, own))
          const found = pivotAt(seen, { move: move as Vec3, turn, size: sized as Vec3 }, isTwin, frame)
          for (const [i, n] of found.entries()) expect(n).toBeCloseTo(point[i], 5)
        },
      ),
    )
  })
})
