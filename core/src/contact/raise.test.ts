import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Bodies } from '../clearing/bodies'
import { type Convex, convexOfBox, convexOfSolid } from '../clearing/convex'
import { InstanceTable } from '../instances'
import { raiseToTouch } from './raise'

const standing = (shape: Convex, move: [number, number, number], turn: readonly number[] = [0, 0, 0, 1]): Bodies => {
  const table = new InstanceTable()
  table.neutral(1)
  table.setMove(0, move)
  table.setTurn(0, turn as [number, number, number, number])
  return new Bodies(table, () => shape)
}
const n = fc.double({ min: -1, max: 1, noNaN: true })
const turns = fc
  .tuple(n, n, n, n)
  .filter((q) => Math.hypot(...q) > 0.1)
  .map((q) => q.map((v) => v / Math.hypot(...q)))

describe('raising a body until it touches a triangle', () => {
  it('a ball over a wide slope touches it where its normal says (closed form)', () => {
    const ball = convexOfSolid({ kind: 'sphere', width: 1 })!
    fc.assert(
      fc.property(n, n, fc.double({ min: -3, max: 3, noNaN: true }), (dx, dz, y) => {
        // A plane through the origin, so wide that it is met on its face.
        const at = (x: number, z: number): number[] => [x, dx * x + dz * z, z]
        const wide = Float64Array.of(...at(-50, -50), ...at(0, 80), ...at(50, -50))
        const found = raiseToTouch(standing(ball, [0, y, 0]), 0, wide, 200)
        const middle = 0.5 * Math.hypot(dx, 1, dz)
        expect(Math.abs(found - (middle - (y + 0.5)))).toBeLessThan(1e-9)
      }),
    )
  })
  it('a box touches with whatever reaches lowest: raised as far, none of its corners lies under the face, one lies on it', () => {
    const box = convexOfBox([-0.2, 0, -0.3], [0.2, 0.5, 0.3])
    fc.assert(
      fc.property(n, n, turns, (dx, dz, turn) => {
        const at = (x: number, z: number): number[] => [x, dx * x + dz * z, z]
        const wide = Float64Array.of(...at(-50, -50), ...at(0, 80), ...at(50, -50))
        const bodies = standing(box, [0.1, 2, -0.2], turn)
        const by = raiseToTouch(bodies, 0, wide, 200)
        const out = new Float64Array(3)
        bodies.support(0, dx, -1, dz, out, 0)
        expect(Math.abs(out[1] + by - (dx * out[0] + dz * out[2]))).toBeLessThan(1e-9)
      }),
    )
  })
  it('beside a triangle it falls on for ever; on its edge and its corner it stops', () => {
    const ball = convexOfSolid({ kind: 'sphere', width: 2 })!
    const triangle = Float64Array.of(0, 0, 0, 0, 0, 4, 4, 0, 0)
    expect(raiseToTouch(standing(ball, [-1.01, 5, 1]), 0, triangle, 50)).toBe(-Infinity)
    // Over the edge x = 0, half its radius away: it touches √3/2 above.
    const edge = raiseToTouch(standing(ball, [-0.5, 5, 1]), 0, triangle, 50)
    expect(Math.abs(edge - (Math.sqrt(0.75) - 6))).toBeLessThan(1e-9)
    const corner = raiseToTouch(standing(ball, [-0.3, 5, -0.4]), 0, triangle, 50)
    expect(Math.abs(corner - (Math.sqrt(0.75) - 6))).toBeLessThan(1e-9)
  })
})
