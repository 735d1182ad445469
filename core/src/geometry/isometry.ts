import type { Vec3 } from './vec'
import { type Quaternion, compose, rotate } from './rotation'

/** A move of space that keeps all distances: p → turn · (mirrored across, if so) p + move. */
export interface Isometry {
  readonly turn: Quaternion
  readonly mirrored: boolean
  readonly move: Vec3
}

export const UNMOVED: Isometry = { turn: [0, 0, 0, 1], mirrored: false, move: [0, 0, 0] }

/** A plane in its normal form: the points p with normal · p = distance, the normal of unit length. */
export interface Plane {
  readonly normal: Vec3
  readonly distance: number
}

/** A turn as it looks in a mirror that faces across: Sx · R · Sx. */
export const acrossTurn = ([x, y, z, w]: Quaternion): Quaternion => [x, -y, -z, w]
/** A place or direction in a mirror that faces across. */
export const acrossPoint = ([x, y, z]: Readonly<Vec3>): Vec3 => [-x, y, z]

/**
 * The reflection across a plane: I − 2nnᵀ (Householder 1958), written as a turn of what was mirrored across. Reflecting
 * across, then across n, is a turn from across to n by twice the angle between them.
 */
export function reflectionIn({ normal, distance }: Plane): Isometry {
  const sign = normal[0] < 0 ? -1 : 1
  const [x, y, z] = normal
  // 0 is added so that no −0 comes of it.
  return {
    turn: [0, -sign * z + 0, sign * y + 0, sign * x + 0],
    mirrored: true,
    move: [2 * distance * x + 0, 2 * distance * y + 0, 2 * distance * z + 0],
  }
}

/** A direction under an isometry. */
export const carried = ({ turn, mirrored }: Isometry, v: Readonly<Vec3>): Vec3 =>
  rotate(turn, mirrored ? acrossPoint(v) : v)

/** A place under an isometry. */
export function placedBy(iso: Isometry, p: Readonly<Vec3>): Vec3 {
  const [x, y, z] = carried(iso, p)
  return [x + iso.move[0], y + iso.move[1], z + iso.move[2]]
}

/** b first, then a. */
export function afterEach(a: Isometry, b: Isometry): Isometry {
  return {
    turn: compose(a.turn, a.mirrored ? acrossTurn(b.turn) : b.turn),
    mirrored: a.mirrored !== b.mirrored,
    move: placedBy(a, b.move),
  }
}

/** Whether two isometries are one, to within rounding: turns by 1e-9, moves by 1e-9 of the length given. */
export function sameIsometry(a: Isometry, b: Isometry, length = 1): boolean {
  if (a.mirrored !== b.mirrored) return false
  const dot = a.turn[0] * b.turn[0] + a.turn[1] * b.turn[1] + a.turn[2] * b.turn[2] + a.turn[3] * b.turn[3]
  if (1 - Math.abs(dot) > 1e-12) return false
  return Math.hypot(...a.move.map((n, i) => n - b.move[i])) <= 1e-9 * Math.max(length, 1)
}
