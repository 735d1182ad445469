import { greatest, least } from '../geometry/extremes'
import { compose, inverse } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { Placing } from '../instances'
import { type Result, done, refused } from '../words'
import { type Body } from './body'
import { AXES, type Edge, edgeOf } from './edges'
import type { Wanted } from './wanted'

/** With what things are lined up: one of them that leads, their own bounds, a place of the world, or another thing. */
export type LineUpTo = 'marked' | 'widest' | 'bounds' | 'plane' | 'thing'

export interface LineUp {
  /** 0 across, 1 up, 2 deep, or all three. */
  axis: 0 | 1 | 2 | 'all'
  /** What of these is lined up with what of that one. Along all axes only middles and pivots. */
  theirs: Edge
  its: Edge
  to: LineUpTo
  /** The coordinate of the plane, where it is lined up with one; 0 is the origin. Metres. */
  at: number
  /** How far theirs stands from its, in metres: away from that one where they face it, along the axis otherwise. */
  apart: number
  /** Gives each the turn, and the size (what it measures along its own axes), of that one too. */
  turns: boolean
  sizes: boolean
}

export const lineUpDefaults: LineUp = {
  axis: 2,
  theirs: 'low',
  its: 'low',
  to: 'marked',
  at: 0,
  apart: 0,
  turns: false,
  sizes: false,
}

/**
 * Lines picked things up: moves each along one axis, or all, until what was named of it meets what was named of the thing that
 * leads; by its true outline along the axis, turned and sized as it is. What leads stays.
 *
 * @param leading the one that stays: the marked one, or another thing; it need not be among the bodies
 */
export function lineUp(bodies: readonly Body[], leading: Body | undefined, how: LineUp): Result<Wanted[]> {
  const onPlane = how.to === 'plane' || how.to === 'bounds'
  const lead = how.to === 'widest' ? widest(bodies, how.axis) : onPlane ? undefined : leading
  if (!onPlane && !lead) return refused('Nothing is marked to line them up with. Mark one of them, or choose a plane.')
  const moved = bodies.filter((body) => body !== lead)
  if (bodies.length === 0) return refused('There is nothing to line up: pick something first.')
  if (moved.length === 0)
    return refused('It leads alone: pick more things, or line it up with a thing or a plane instead of the marked one.')
  if (how.to === 'bounds' && moved.length < 2)
    return refused('One thing has no others to line up with: pick two or more.')
  if (how.axis === 'all' && (isFace(how.theirs) || isFace(how.its)))
    return refused('Faces lie along one axis. Choose an axis, or line up middles or pivots.')
  const axes = how.axis === 'all' ? [0, 1, 2] : [how.axis]
  const targets = axes.map((axis) => targetAlong(AXES[axis], bodies, lead, how) + how.apart * sign(how))
  return done(
    moved.map((body): Wanted => {
      const { move, turn, size } = matched(body, lead, how)
      const to: Placing = { move: [move[0], move[1], move[2]], turn, size }
      // The axes stand square to each other: what it moves along one changes nothing along the next.
      for (let i = 0; i < axes.length; i++) to.move[axes[i]] += targets[i] - edgeOf(body, AXES[axes[i]], how.theirs, to)
      return { body, to }
    }),
  )
}

const isFace = (edge: Edge): boolean => edge === 'low' || edge === 'high'

/** Facing each other they stand apart; otherwise the distance goes along the axis. */
const sign = ({ theirs, its }: LineUp): number => (theirs === 'high' && its === 'low' ? -1 : 1)

function targetAlong(
  direction: Readonly<Vec3>,
  bodies: readonly Body[],
  lead: Body | undefined,
  { to, its, at }: LineUp,
): number {
  if (lead) return edgeOf(lead, direction, its)
  if (to === 'plane') return at
  const reaches = bodies.map((body) => body.reach(direction))
  const low = least(reaches.map((r) => r.low))
  const high = greatest(reaches.map((r) => r.high))
  return its === 'low' ? low : its === 'high' ? high : (low + high) / 2
}

/** The widest along the axis, or by its diagonal; of two alike the first. */
function widest(bodies: readonly Body[], axis: LineUp['axis']): Body | undefined {
  const across = (body: Body): number => {
    const along = (axis === 'all' ? AXES : [AXES[axis]]).map((d) => body.reach(d))
    return Math.hypot(...along.map(({ low, high }) => high - low))
  }
  let [found, most] = [undefined as Body | undefined, -Infinity]
  for (const body of bodies) {
    const own = across(body)
    if (own > most) [found, most] = [body, own]
  }
  return found
}

/** How it stands before it is moved: turned and sized as what leads, where that is asked for. */
function matched(body: Body, lead: Body | undefined, { turns, sizes }: LineUp): Placing {
  if (!lead || (!turns && !sizes)) return body.stands
  const { move, turn, size } = body.stands
  const factors = sizes && body.of.is === 'copy' ? ownSizes(lead).map((n, i) => n / ownSizes(body)[i]) : [1, 1, 1]
  return {
    move,
    turn: turns ? lead.stands.turn : turn,
    size: size.map((n, i) => (Number.isFinite(factors[i]) && factors[i] > 0 ? n * factors[i] : n)) as Vec3,
  }
}

/** What a thing measures along its own axes, sized as it is. */
function ownSizes(body: Body): number[] {
  const { stands } = body
  const unturned = { ...stands, turn: compose(inverse(stands.turn), stands.turn) }
  return AXES.map((direction) => {
    const { low, high } = body.reach(direction, unturned)
    return high - low
  })
}
