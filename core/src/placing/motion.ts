import { type Quaternion, UNTURNED, compose, fromTurns, inverse, rotate } from '../geometry/rotation'
import { type Vec3, minus, plus } from '../geometry/vec'
import type { Placing } from '../instances'
import { type Result, done, refused } from '../words'
import { type Body } from './body'
import { AXES } from './edges'
import type { Wanted } from './wanted'

/** About what picked things are turned and sized: each its own pivot, the middle of all, the marked one, the origin, a place. */
export const abouts = ['own', 'middle', 'marked', 'origin', 'place'] as const
export type About = (typeof abouts)[number]

/** What of a copy stays where it is while it is sized about itself. */
export const sizeFroms = ['base', 'centre', 'top', 'pivot'] as const
export type SizeFrom = (typeof sizeFroms)[number]

/** A move, a turn and a size given to all picked things at once. */
export interface Motion {
  /** Along the axes; metres. */
  by: Vec3
  /** About the axes: across, then up, then deep, each as turned so far; radians. */
  turn: Vec3
  /** Factors along the axes. */
  size: Vec3
  about: About
  /** The place about which, where one was picked. */
  at: Vec3
  /** The axes of the world, or their own: each its own, unless all go about one place; then those of the marked one. */
  axes: 'world' | 'own'
  from: SizeFrom
}

export const motionDefaults: Motion = {
  by: [0, 0, 0],
  turn: [0, 0, 0],
  size: [1, 1, 1],
  about: 'own',
  at: [0, 0, 0],
  axes: 'world',
  from: 'base',
}

/**
 * Where things stand once they are moved, turned and sized. Sizes go along a copy's own axes; unequal ones about a common place are
 * refused for copies that stand turned against them, which would lean; patterns and groups are sized evenly, with all their lengths.
 *
 * @param lead the marked one, whose pivot or axes may count for all
 */
export function moved(bodies: readonly Body[], lead: Body | undefined, how: Motion): Result<Wanted[]> {
  if (bodies.length === 0) return refused('Pick something first.')
  if (how.size.some((n) => !(n > 0))) return refused('A size is more than 0: type 100 % for their own.')
  const isSized = how.size.some((n) => n !== 1)
  const isEven = how.size.every((n) => n === how.size[0])
  if (!isEven && bodies.some(({ of }) => of.is === 'patterns'))
    return refused('Patterns are sized evenly, so that nothing in them leans: type one size for all three axes.')
  const center = centerOf(bodies, lead, how)
  const shared = how.axes === 'own' && center ? lead?.stands.turn : undefined
  const wanted: Wanted[] = []
  for (const body of bodies) {
    const { stands } = body
    const frame = how.axes === 'world' ? UNTURNED : (shared ?? stands.turn)
    const turned = compose(frame, compose(fromTurns(how.turn), inverse(frame)))
    const sized = isSized ? sizedAlong(body, frame, how, isEven) : stands
    if (!sized)
      return refused('Sized so they would lean: turn them straight first, or size them evenly or along their own axes.')
    const about = center ?? stands.move
    const apart = minus(center ? stands.move : about, about)
    const stretched = center && isSized ? rotate(frame, times3(rotate(inverse(frame), apart), how.size)) : apart
    const at = plus(about, isUnturned(how.turn) ? stretched : rotate(turned, stretched))
    // About a common place pivots are carried along; about each itself what was named of it stays.
    const own = center ? [0, 0, 0] : minus(sized.move, stands.move)
    wanted.push({
      body,
      to: {
        move: plus(plus(at, own as Vec3), rotate(frame, how.by)),
        turn: isUnturned(how.turn) ? stands.turn : compose(turned, stands.turn),
        size: sized.size,
      },
    })
  }
  return done(wanted)
}

const isUnturned = (turn: Readonly<Vec3>): boolean => turn.every((n) => n === 0)
const times3 = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] * b[0], a[1] * b[1], a[2] * b[2]]

/** The place about which all of them go; undefined where each goes about its own pivot. */
export function centerOf(
  bodies: readonly Body[],
  lead: Body | undefined,
  { about, at }: Pick<Motion, 'about' | 'at'>,
): Vec3 | undefined {
  if (about === 'own') return undefined
  if (about === 'origin') return [0, 0, 0]
  if (about === 'place') return at
  if (about === 'marked') return (lead ?? bodies[0])?.stands.move
  return AXES.map((direction) => {
    const reaches = bodies.map((body) => body.reach(direction))
    const low = reaches.reduce((least, r) => Math.min(least, r.low), Infinity)
    const high = reaches.reduce((most, r) => Math.max(most, r.high), -Infinity)
    return (low + high) / 2
  }) as Vec3
}

/** A copy sized by factors along the axes of a frame, what was named of it staying; undefined where it would lean. */
function sizedAlong(body: Body, frame: Quaternion, { size, from }: Motion, isEven: boolean): Placing | undefined {
  const { stands } = body
  const factors = isEven ? size : ownFactors(compose(inverse(stands.turn), frame), size)
  if (!factors) return undefined
  const fixed = from === 'pivot' ? ([0, 0, 0] as Vec3) : fixedOf(body, from)
  return {
    move: plus(stands.move, rotate(stands.turn, fixed.map((n, i) => n - n * factors[i]) as Vec3)),
    turn: stands.turn,
    size: times3(stands.size, factors),
  }
}

/** Factors along the axes of a frame as those along a copy's own axes, where these lie along each other; undefined elsewhere. */
function ownFactors(turn: Quaternion, size: Readonly<Vec3>): Vec3 | undefined {
  const factors: Vec3 = [1, 1, 1]
  for (const [i, axis] of AXES.entries()) {
    if (size[i] === 1) continue
    const along = rotate(turn, axis)
    const own = along.findIndex((n) => Math.abs(Math.abs(n) - 1) < 1e-9)
    if (own < 0) return undefined
    factors[own] = size[i]
  }
  return factors
}

/** The middle of a copy's base, of its box, or of its top, from its pivot along its own axes, as large as it is. */
function fixedOf(body: Body, from: Exclude<SizeFrom, 'pivot'>): Vec3 {
  const { stands } = body
  const unturned: Placing = { ...stands, turn: UNTURNED }
  const box = AXES.map((axis, i) => {
    const { low, high } = body.reach(axis, unturned)
    return { low: low - stands.move[i], high: high - stands.move[i] }
  })
  const up = from === 'base' ? box[1].low : from === 'top' ? box[1].high : (box[1].low + box[1].high) / 2
  return [(box[0].low + box[0].high) / 2, up, (box[2].low + box[2].high) / 2]
}
