import type { InstanceTable } from '../instances'
import type { Fit, Pattern, TouchUp } from '../model/pattern'
import type { Vec3 } from '../model/values'
import { type Quaternion, UNTURNED, compose, fromTurns, inverse, rotate, toTurns } from '../rotation'

/** Where a copy stands in its pattern: moved, turned and sized. */
export interface Placing {
  readonly move: Vec3
  readonly turn: Quaternion
  readonly size: Vec3
}

const ONE: Vec3 = [1, 1, 1]
const ZERO: Vec3 = [0, 0, 0]
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const times = (a: Vec3, b: Vec3): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]]
const over = (a: Vec3, b: Vec3): Vec3 => [a[0] / b[0], a[1] / b[1], a[2] / b[2]]

/** One row of a table. */
export const placingOf = ({ position: p, quaternion: q, scale: s }: InstanceTable, k: number): Placing => ({
  move: [p[3 * k], p[3 * k + 1], p[3 * k + 2]],
  turn: [q[4 * k], q[4 * k + 1], q[4 * k + 2], q[4 * k + 3]],
  size: [s[3 * k], s[3 * k + 1], s[3 * k + 2]],
})

/** A placement seen from one that it is inside of: outer · inner. Unequal sizes above a turn would lean; see `nesting`. */
export const within = (outer: Placing, inner: Placing): Placing => ({
  move: plus(outer.move, rotate(outer.turn, times(outer.size, inner.move))),
  turn: compose(outer.turn, inner.turn),
  size: times(outer.size, inner.size),
})

/** The place of a copy before its touch-up and its part's fit, worked back from where it stands. */
export function slotOf(stands: Placing, touch: TouchUp = {}, fit: Fit = {}): Placing {
  const turned = touch.turn ? fromTurns(touch.turn) : UNTURNED
  const sized = over(stands.size, fit.size ?? ONE)
  const turn = compose(stands.turn, inverse(turned))
  const unfitted = minus(stands.move, rotate(stands.turn, times(sized, fit.move ?? ZERO)))
  return {
    move: minus(unfitted, rotate(turn, touch.move ?? ZERO)),
    turn,
    size: over(sized, touch.size ?? ONE),
  }
}

/** The touch-up that makes a copy stand so, with this part and its fit; values that come to nothing are left out. */
export function touchUpTo(slot: Placing, stands: Placing, part: string, fit: Fit = {}): TouchUp {
  const sized = over(stands.size, fit.size ?? ONE)
  const unfitted = minus(stands.move, rotate(stands.turn, times(sized, fit.move ?? ZERO)))
  const move = rotate(inverse(slot.turn), minus(unfitted, slot.move))
  const size = over(sized, slot.size)
  const turned = compose(inverse(slot.turn), stands.turn)
  const reach = Math.hypot(...stands.move, ...slot.move) + 1
  const still = move.every((n) => Math.abs(n) <= 1e-12 * reach)
  const unturned = Math.abs(turned[3]) >= 1 - 1e-15
  const unsized = size.every((n) => Math.abs(n - 1) <= 1e-12)
  return {
    part,
    ...(!still && { move }),
    ...(!unturned && { turn: toTurns(turned) }),
    ...(!unsized && { size }),
  }
}

/**
 * Gives one copy another part, standing as told; what it had been given by hand is replaced by what leads there.
 *
 * @param row the copy's row in the pattern's table as it was worked out
 * @param stands where it shall stand in the pattern; by default where it does
 */
export function giveCopy(
  pattern: Pattern,
  table: InstanceTable,
  row: number,
  key: string,
  from: string,
  to: string,
  stands: Placing = placingOf(table, row),
): void {
  const before = pattern.touchUps[key]
  const slot = slotOf(placingOf(table, row), before, pattern.fits?.[from])
  const after = touchUpTo(slot, stands, to, pattern.fits?.[to])
  pattern.touchUps[key] = before?.empty ? { ...after, empty: true } : after
}
