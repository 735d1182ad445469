import type { Bodies } from './bodies'
import type { Gaps } from './gap'
import { overlapAlong } from './inPlane'
import { type Separation, leastMove } from './leastMove'
import { NearBodies } from './nearBodies'
import type { PushOptions, PushOutcome } from './pushApart'

/** A separation is exact to this share of what is near enough. */
const EXACT = 1e-3
/** In a heap each is first compared with so many that follow it, and with more as these are clear. */
const NEXT = 4
/** Where each has more neighbours than this, on average, it is one. */
const MANY = 32

/**
 * Pushes copies apart along one axis by as little as possible, Σ (moved)² least of all for the order in which they stand: what
 * each pair needs along the axis is measured once it is met, and all of it is solved together, until no pair is nearer than
 * asked. What lies in a heap is compared with those next to it in the order first: once these stand apart, few pairs are left. Nothing
 * else comes of it, as separations that hold by themselves do not move anything.
 *
 * @param axis 0 across, 1 up, 2 deep
 */
export function pushAlongAxis(bodies: Bodies, axis: 0 | 1 | 2, options: PushOptions, gaps: Gaps): PushOutcome {
  const { clearance, within, rounds, held } = options
  const { position: p, middle, count } = bodies
  const wanted = Float64Array.from({ length: count }, (_, k) => p[3 * k + axis])
  const order = Float64Array.from(wanted, (x, k) => x + middle[3 * k + axis])
  const neighbours = new NearBodies(bodies, clearance)
  const rank = ranksOf(order)
  const needed = new Map<number, Separation>()
  const byRound: number[] = []
  let reach = isHeap(neighbours, count) ? NEXT : count
  for (let round = 0; ;) {
    neighbours.sort()
    let worst = 0
    const missed: [number, number][] = []
    neighbours.pairs((i, j) => {
      if (Math.abs(rank[i] - rank[j]) > reach || (held?.[i] && held[j])) return
      const lack = clearance - gaps.between(i, j)
      if (lack > worst) worst = lack
      // A hair less than nothing is what exact separations leave.
      if (lack > 1e-3 * within) missed.push(order[i] < order[j] || (order[i] === order[j] && i < j) ? [i, j] : [j, i])
    })
    if (worst <= within && reach < count) {
      reach *= 4
      continue
    }
    if (round > 0) byRound.push(worst)
    if (worst <= within || round === rounds) return { rounds: round, worst, byRound }
    for (const [first, second] of missed) {
      const by = separationOf(bodies, first, second, axis, clearance, EXACT * within, gaps)
      needed.set(first * count + second, { first, second, by })
    }
    const places = leastMove(wanted, [...needed.values()], held)
    for (let k = 0; k < count; k++) if (!held?.[k]) p[3 * k + axis] = places[k]
    round++
  }
}

/** The place of each in the order. */
function ranksOf(order: Float64Array): Uint32Array {
  const rank = new Uint32Array(order.length)
  Uint32Array.from(order.keys())
    .sort((a, b) => order[a] - order[b] || a - b)
    .forEach((k, n) => (rank[k] = n))
  return rank
}

function isHeap(neighbours: NearBodies, count: number): boolean {
  let pairs = 0
  const isMore = (): boolean => pairs > MANY * count
  neighbours.pairs(() => void pairs++, isMore)
  return isMore()
}

/** How far the second of two has to stand beyond the first along an axis: what keeps the clearance, and no more. */
function separationOf(
  bodies: Bodies,
  first: number,
  second: number,
  axis: 0 | 1 | 2,
  clearance: number,
  exact: number,
  gaps: Gaps,
): number {
  const { position: p } = bodies
  const [at, from] = [3 * second + axis, p[3 * first + axis]]
  const before = p[at]
  const [x, y, z] = [0, 1, 2].map((i) => (i === axis ? 1 : 0))
  // Beyond the whole of the other, and the clearance, it is certainly clear.
  let [low, high] = [
    before,
    before + Math.max(0, overlapAlong(bodies, first, second, x, y, z)) + clearance * (1 + 1e-9),
  ]
  while (high - low > exact) {
    p[at] = (low + high) / 2
    if (gaps.areClear(first, second, clearance)) high = p[at]
    else low = p[at]
  }
  p[at] = before
  return high - from
}
