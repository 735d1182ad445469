import { UNTURNED, compose, rotate, turnTowards } from '../geometry/rotation'
import { type Vec3, dot, minus, plus, times } from '../geometry/vec'
import type { Placing } from '../instances'
import { type Result, done, refused } from '../words'
import { type Body } from './body'
import { AXES, edgeOf } from './edges'
import type { Wanted } from './wanted'

/** Picked things put onto a face of another one. */
export interface Seat {
  /** The place on the face, and how it looks; of unit length. */
  at: Vec3
  normal: Vec3
  /** What of the one that leads comes onto it. */
  by: 'base' | 'pivot'
  /** Kept as it is turned, turned along the normal, or towards it up to so much. */
  stands: 'upright' | 'normal' | 'limit'
  limit: number
  /** How far above the face, along its normal; metres. */
  apart: number
}

export const seatDefaults: Seat = {
  at: [0, 0, 0],
  normal: [0, 1, 0],
  by: 'base',
  stands: 'upright',
  limit: Math.PI / 12,
  apart: 0,
}

/**
 * Puts the thing that leads onto a face, the middle of its base (or its pivot) on the place, turned as asked; the others go with it.
 * By its base it then touches the plane of the face with its true outline, wherever that reaches lowest: it neither floats nor
 * goes in.
 */
export function seat(bodies: readonly Body[], lead: Body | undefined, how: Seat): Result<Wanted[]> {
  const first = lead ?? bodies[0]
  if (!first) return refused('Pick something first.')
  if (how.normal.every((n) => n === 0)) return refused('Click the face that it is to stand on.')
  const { stands } = first
  const up = rotate(stands.turn, AXES[1])
  const by = turnTowards(up, how.normal, how.stands === 'upright' ? 0 : how.stands === 'limit' ? how.limit : Math.PI)
  const turn = compose(by, stands.turn)
  const base = how.by === 'pivot' ? ([0, 0, 0] as Vec3) : baseOf(first)
  const above = plus(how.at, times(how.normal, how.apart))
  let to: Placing = { ...stands, turn, move: minus(above, rotate(turn, base)) }
  if (how.by === 'base') {
    const lowest = edgeOf(first, how.normal, 'low', to)
    to = { ...to, move: plus(to.move, times(how.normal, dot(above, how.normal) - lowest)) }
  }
  return done(
    bodies.map((body): Wanted => {
      if (body === first) return { body, to }
      const apart = rotate(by, minus(body.stands.move, stands.move))
      return {
        body,
        to: { ...body.stands, move: plus(to.move, apart), turn: compose(by, body.stands.turn) },
      }
    }),
  )
}

/** The middle of a thing's base from its pivot, along its own axes, as large as it is. */
function baseOf(body: Body): Vec3 {
  const { stands } = body
  const unturned: Placing = { ...stands, turn: UNTURNED }
  return AXES.map((axis, i) => {
    const { low, high } = body.reach(axis, unturned)
    return (i === 1 ? low : (low + high) / 2) - stands.move[i]
  }) as Vec3
}
