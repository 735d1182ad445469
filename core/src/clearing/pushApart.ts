import { mix } from '../slots'
import type { Bodies } from './bodies'
import { type Gaps, gapOf } from './gap'
import { spreadHeaps } from './heaps'
import { NearBodies } from './nearBodies'
import { pushInPlane } from './inPlane'

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

/** So many pairs are measured at the most, over all rounds: what does not fit its room would go on for hours. */
const MOST_MEASURED = 20_000_000

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
  const neighbours = new NearBodies(bodies, clearance)
  const byRound: number[] = []
  // Of a heap any pair that lacks it will do for an answer.
  let worst = worstLack(bodies, neighbours, options, exact, within)
  // What is clear already stays exactly as it is, so that clearing twice is clearing once.
  if (worst <= within) return { rounds: 0, worst, byRound }
  const push = pusher(bodies, options, exact)
  spreadHeaps(bodies, options)
  let measured = 0
  for (let round = 0; round < rounds; round++) {
    neighbours.sort()
    worst = 0
    neighbours.pairs((i, j) => {
      if (held && held[i] && held[j]) return
      measured++
      const lack = push(i, j)
      if (lack > worst) worst = lack
    })
    byRound.push(worst)
    if (contain) for (let k = 0; k < count; k++) if (there[k] && !held?.[k]) contain(bodies.position, k)
    // What was met on the way has changed since: only a look at all that moves nothing can say that it is enough.
    if (worst <= 2 * within) {
      worst = worstLack(bodies, neighbours, options, exact)
      if (worst <= within) return { rounds: round + 1, worst, byRound }
    }
    if (measured > MOST_MEASURED) break
  }
  // Where none was asked for, any that lacks it says enough.
  const enough = rounds === 0 ? within : Infinity
  return { rounds: byRound.length, worst: worstLack(bodies, neighbours, options, exact, enough), byRound }
}

/** By how much the worst pair lacks the clearance; the first that lacks more than is enough to know. */
function worstLack(
  bodies: Bodies,
  neighbours: NearBodies,
  { clearance, held }: PushOptions,
  exact?: Gaps,
  enough = Infinity,
): number {
  neighbours.sort()
  let worst = 0
  neighbours.pairs(
    (i, j) => {
      if (worst > enough || (held?.[i] && held[j])) return
      worst = Math.max(worst, clearance - (exact ? exact.between(i, j) : gapOf(bodies, i, j).gap))
    },
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
      if (near.x === 0 && near.y === 0 && near.z === 0) chanceWay(i, j, way)
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

/** A direction for two bodies that stand in one place: settled by who they are. */
function chanceWay(i: number, j: number, way: Float64Array): void {
  const [u, v] = [mix(i * 2 + 1) / 2 ** 32, mix(mix(j * 2 + 1) ^ i) / 2 ** 32]
  const z = 2 * u - 1
  const flat = Math.sqrt(1 - z * z)
  way[0] = flat * Math.cos(2 * Math.PI * v)
  way[1] = z
  way[2] = flat * Math.sin(2 * Math.PI * v)
}
