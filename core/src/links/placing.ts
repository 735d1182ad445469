import type { Placing, InstanceTable } from '../instances'
import type { Fit, Pattern, TouchUp } from '../model/pattern'
import type { Vec3 } from '../values/values'
import { UNTURNED, compose, fromTurns, inverse, rotate, toTurns } from '../geometry/rotation'

const ONE: Vec3 = [1, 1, 1]
const ZERO: Vec3 = [0, 0, 0]
const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
const minus = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const times = (a: Vec3, b: Vec3): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]]
const over = (a: Vec3, b: Vec3): Vec3 => [a[0] / b[0], a[1] / b[1], a[2] / b[2]]

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

/** The touch-up that makes a copy of which the part has this fit stand so; values that come to nothing are left out. */
export function touchUpTo(slot: Placing, stands: Placing, fit: Fit = {}): TouchUp {
  const sized = over(stands.size, fit.size ?? ONE)
  const unfitted = minus(stands.move, rotate(stands.turn, times(sized, fit.move ?? ZERO)))
  const move = rotate(inverse(slot.turn), minus(unfitted, slot.move))
  const size = over(sized, slot.size)
  const turned = compose(inverse(slot.turn), stands.turn)
  const reach = Math.hypot(...stands.move, ...slot.move) + 1
  const still = move.every((n) => Math.abs(n) <= 1e-12 * reach)
  const unturned = Math.hypot(turned[0], turned[1], turned[2]) <= 1e-15
  const unsized = size.every((n) => Math.abs(n - 1) <= 1e-12)
  return {
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
  stands: Placing = table.placingOf(row),
): void {
  const before = pattern.touchUps[key]
  const slot = slotOf(table.placingOf(row), before, pattern.fits?.[from])
  const after = { part: to, ...touchUpTo(slot, stands, pattern.fits?.[to]) }
  pattern.touchUps[key] = before?.empty ? { ...after, empty: true } : after
}
