import type { Bodies } from './bodies'
import { type Gaps, gapOf } from './gap'
import { spreadHeaps } from './heaps'
import { pushInPlane } from './inPlane'
import { NearPairs } from './nearPairs'
import { chanceWay, pushBalls } from './pushBalls'

export interface PushOptions {
  /** The free distance that copies are to keep, in metres. */
  readonly clearance: number
  /** It is enough when no two are nearer than that by more than this, in metres. */
  readonly within: number
  /** It gives up after so many rounds, or sooner where they are too many in too little room; with 0 only heaps are spread. */
  readonly rounds: number
  /** Along which axes copies may move: across, up, deep. */
  readonly free: readonly [boolean, boolean, boolean]
  /** 1 for copies that stay where they are. */
  readonly held?: Uint8Array
  /** Brings a copy's pivot back to where it may be. */
  readonly contain?: (position: Float64Array, k: number) => void
}

/** So many pairs are measured at the most, over all rounds, but for balls: what does not fit its room would go on for hours. */
const MOST_MEASURED = 20_000_000

/**
 * A list of balls serves so many rounds even where they have moved beyond it: what comes near meanwhile is met by the next list, and
 * making one takes as long as five rounds. Of other bodies a round takes longer than its list.
 */
const SERVES = 3

export const pushDefaults: PushOptions = { clearance: 0, within: 1e-4, rounds: 200, free: [true, true, true] }

export interface PushOutcome {
  readonly rounds: number
  /** By how much the worst pair still misses the clearance, in metres. */
  readonly worst: number
  /** The worst miss that was met in each round. */
  readonly byRound: readonly number[]
}

/**
 * Pushes copies apart until none are nearer than asked: every pair that is moves apart by as much as it lacks, each by half,
 * pair after pair, round after round (Gauss–Seidel over the contacts, as in Müller et al., Position based dynamics, 2007).
 * Only positions change, in place. The order of the copies settles everything, so the same copies come out the same anywhere.
 *
 * @param exact tells gaps more closely than outlines do; a pair then moves the way that frees its outlines, by what it lacks
 *
 * @example pushApart(bodies, { ...pushDefaults, clearance: 0.002 })
 */
export function pushApart(bodies: Bodies, options: PushOptions, exact?: Gaps): PushOutcome {
  const { clearance, within, rounds, held, contain } = options
  const { count, there } = bodies
  const near = new NearPairs(bodies, clearance, held)
  const byRound: number[] = []
  // Of a heap any pair that lacks it will do for an answer.
  let worst = worstLack(bodies, near, options, exact, within)
  // What is clear already stays exactly as it is, so that clearing twice is clearing once.
  if (worst <= within) return { rounds: 0, worst, byRound }
  const areBalls = !exact && bodies.ball.every((is, k) => is || !there[k])
  const push = pusher(bodies, options, exact)
  const serves = areBalls ? SERVES : 1
  spreadHeaps(bodies, options)
  let measured = 0
  while (byRound.length < rounds) {
    if (byRound.length % serves === 0) near.renew()
    if (areBalls) worst = pushBalls(bodies, near, options)
    else {
      worst = 0
      near.each((i, j) => {
        measured++
        worst = Math.max(worst, push(i, j))
      })
    }
    byRound.push(worst)
    if (contain) for (let k = 0; k < count; k++) if (there[k] && !held?.[k]) contain(bodies.position, k)
    // What was met on the way has changed since: only a look at all that moves nothing can say that it is enough.
    if (worst <= 2 * within) {
      worst = worstLack(bodies, near, options, exact)
      if (worst <= within) return { rounds: byRound.length, worst, byRound }
    }
    if (measured > MOST_MEASURED) break
  }
  // Where none was asked for, any that lacks it says enough.
  const enough = rounds === 0 ? within : Infinity
  return { rounds: byRound.length, worst: worstLack(bodies, near, options, exact, enough), byRound }
}

/** By how much the worst pair lacks the clearance; the first that lacks more than is enough to know. */
function worstLack(
  bodies: Bodies,
  near: NearPairs,
  { clearance }: PushOptions,
  exact?: Gaps,
  enough = Infinity,
): number {
  near.renew()
  let worst = 0
  near.each(
    (i, j) => (worst = Math.max(worst, clearance - (exact ? exact.between(i, j) : gapOf(bodies, i, j).gap))),
    () => worst > enough,
  )
  return worst
}

/** Moves one pair apart and tells by how much it lacked. */
function pusher(
  bodies: Bodies,
  { clearance, free, held }: PushOptions,
  exact?: Gaps,
): (i: number, j: number) => number {
  const { position: p } = bodies
  const [fx, fy, fz] = free
  const everywhere = fx && fy && fz
  const way = new Float64Array(3)
  return (i, j) => {
    const near = gapOf(bodies, i, j)
    const lack = clearance - near.gap
    if (lack <= 0) return 0
    let amount = lack
    if (everywhere) {
      way[0] = near.x
      way[1] = near.y
      way[2] = near.z
      if (near.x === 0 && near.y === 0 && near.z === 0) chanceWay(i, j, free, way)
    } else amount = clearance + pushInPlane(bodies, i, j, free, way, near)
    if (!(amount > 0)) return lack
    if (exact) {
      const gap = exact.between(i, j)
      if (gap >= clearance) return 0
      amount = Math.min(amount, clearance - gap)
    }
    // A hair more than is lacking, so that rounding does not leave them touching by too much.
    amount *= 1 + 1e-9
    const [mi, mj] = held?.[i] ? [0, 1] : held?.[j] ? [1, 0] : [0.5, 0.5]
    for (let k = 0; k < 3; k++) {
      p[3 * i + k] -= mi * amount * way[k]
      p[3 * j + k] += mj * amount * way[k]
    }
    return lack
  }
}
