import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { compose, fromTurns, inverse, rotate, toTurns } from './rotation'
import type { Vec3 } from './vec'

const turn = fc.double({ min: -Math.PI, max: Math.PI, noNaN: true })
const turns = fc.tuple(turn, turn, turn)
const near = (a: readonly number[], b: readonly number[]): void => a.forEach((n, i) => expect(n).toBeCloseTo(b[i], 9))

describe('turns', () => {
  it('turn a quarter about up from across to against deep, as a right-handed frame does', () => {
    near(rotate(fromTurns([0, Math.PI / 2, 0]), [1, 0, 0]), [0, 0, -1])
  })

  it('read back as turns that do the same', () => {
    fc.assert(
      fc.property(turns, (t) => {
        const v: Vec3 = [1, 2, 3]
        near(rotate(fromTurns(toTurns(fromTurns(t))), v), rotate(fromTurns(t), v))
      }),
    )
  })

  it('compose as one after the other and undo exactly', () => {
    fc.assert(
      fc.property(turns, turns, (a, b) => {
        const [p, q] = [fromTurns(a), fromTurns(b)]
        near(rotate(compose(p, q), [1, 2, 3]), rotate(p, rotate(q, [1, 2, 3])))
        near(rotate(inverse(p), rotate(p, [1, 2, 3])), [1, 2, 3])
      }),
    )
  })

  it('come back whole at the pole', () => {
    const q = fromTurns([0.3, Math.PI / 2, 0.4])
    near(rotate(fromTurns(toTurns(q)), [1, 2, 3]), rotate(q, [1, 2, 3]))
  })
})
