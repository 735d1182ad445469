import fc from 'fast-check'
import { expect, it } from 'vitest'
import { UNTURNED, inverse, rotate, turnTowards } from '../geometry/rotation'
import { type Vec3, dot } from '../geometry/vec'
import type { Placing } from '../instances'
import type { Body } from './body'
import { AXES, edgeOf } from './edges'
import { seat, seatDefaults } from './seat'

/** A box of these half sizes, its pivot in its middle. */
const boxBody = (half: Vec3, stands: Placing): Body => ({
  of: { is: 'copy', pattern: 'p', slot: '0' },
  row: 0,
  stands,
  reach(direction, as = stands) {
    const own = rotate(inverse(as.turn), direction)
    const reach = own.reduce((sum, n, i) => sum + Math.abs(n) * half[i] * as.size[i], 0)
    const at = dot(as.move, direction)
    return { low: at - reach, high: at + reach }
  },
})
const n = fc.double({ min: -1, max: 1, noNaN: true })
const direction = fc
  .tuple(n, n, n)
  .filter((v) => Math.hypot(...v) > 0.1)
  .map((v) => v.map((c) => c / Math.hypot(...v)) as Vec3)

it('G1: by its base it touches the plane of the face and does not go in, however it stands', () => {
  fc.assert(
    fc.property(
      direction,
      fc.tuple(n, n, n),
      fc.constantFrom('upright', 'normal', 'limit'),
      fc.double({ min: 0, max: 0.2, noNaN: true }),
      (normal, at, stands, apart) => {
        const body = boxBody([0.1, 0.2, 0.3], { move: [3, 1, 2], turn: UNTURNED, size: [1, 2, 1] })
        const made = seat([body], undefined, { ...seatDefaults, normal, at: at as Vec3, stands, apart })
        if (!made.ok) throw new Error('refused')
        const [{ to }] = made.value
        expect(edgeOf(body, normal, 'low', to)).toBeCloseTo(dot(at, normal) + apart, 9)
        const up = rotate(to.turn, AXES[1])
        const angle = Math.acos(Math.min(1, Math.max(-1, dot(up, normal))))
        const before = Math.acos(Math.min(1, Math.max(-1, normal[1])))
        if (stands === 'upright') expect(up).toEqual([0, 1, 0])
        if (stands === 'normal') {
          expect(angle).toBeLessThan(1e-6)
          // Along the normal the middle of its base lies on the place.
          const base = [0, 1, 2].map((i) => to.move[i] - 0.4 * up[i] - apart * normal[i])
          base.forEach((v, i) => expect(v).toBeCloseTo(at[i], 9))
        }
        if (stands === 'limit') expect(angle).toBeCloseTo(Math.max(0, before - seatDefaults.limit), 6)
      },
    ),
  )
})

it('what is picked beside it goes with it, turned about it', () => {
  const lead = boxBody([0.1, 0.1, 0.1], { move: [0, 0, 0], turn: UNTURNED, size: [1, 1, 1] })
  const other = { ...boxBody([0.1, 0.1, 0.1], { move: [1, 0, 0], turn: UNTURNED, size: [1, 1, 1] }), row: 1 }
  const made = seat([other, lead], lead, {
    ...seatDefaults,
    normal: [1, 0, 0],
    at: [5, 0, 0],
    stands: 'normal',
    by: 'pivot',
  })
  if (!made.ok) throw new Error('refused')
  expect(made.value[0].to.move).toEqual([5, -1, 0].map((v) => expect.closeTo(v, 12)))
})

it('the least turn between directions against each other is half a turn', () => {
  expect(rotate(turnTowards([0, 1, 0], [0, -1, 0], Math.PI), [0, 1, 0])).toEqual(
    [0, -1, 0].map((v) => expect.closeTo(v, 12)),
  )
})
