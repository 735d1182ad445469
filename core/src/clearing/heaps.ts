import { mix } from '../slots'
import type { Balls, Bodies } from './bodies'
import { overlapAlong } from './inPlane'
import { NearBodies } from './nearBodies'
import { NearPairs } from './nearPairs'
import type { PushOptions } from './pushApart'
import { pushBalls } from './pushBalls'

/** Where the balls of so many meet one, on average, and so many hang together, they lie in a heap: half as many again as fit there. */
const DEEP = 8
const MANY = 32
/** So many times as large as what they hold are balls that leave it room to turn: nearer to it, rounds that measure take ten times as long. */
const ROOM = 1.2
/** So many angles of a quarter turn are looked at for the least rectangle. */
const ANGLES = 8
/** So often heaps are looked for anew. */
const MOST_TIMES = 4
/** So often its balls are pushed apart at the most; what is then left is for who measures. */
const MOST_ROUNDS = 100
/** Nearer than this share of two balls of the mean size is near enough here. */
const ENOUGH = 0.02
/** Balls that are thrown together fill about this share of a plane, and of a room. */
const FILLED = [1, 1, 0.7, 0.5]

/**
 * Spreads heaps, in which each copy lies in tens or thousands of others, before their pairs are measured: each is widened about its
 * middle until as many fit there, and then pushed apart as balls that are about as large as they are. A thousand boxes in one spot are
 * half a million pairs to be measured in every round, and rounds by the thousand, as those in the middle come out last.
 *
 * What lies in no heap is left exactly as it is.
 */
export function spreadHeaps(bodies: Bodies, options: PushOptions): void {
  const { free } = options
  const axes = [0, 1, 2].filter((c) => free[c])
  if (axes.length === 0) return
  const { count, position, middle, there } = bodies
  const balls = { count, position, middle, there, radius: radiiLike(bodies, axes) }
  let isAny = false
  // Heaps that are widened may come to lie in each other: then they are one.
  for (let times = 0; times < MOST_TIMES; times++) {
    const heaps = heapsOf(balls, axes)
    if (heaps.length === 0) break
    isAny = true
    for (const heap of heaps) widen(balls, heap, axes, options)
  }
  if (isAny) spread(balls, options)
}

/**
 * The radius of a ball that is about as large as each body: of the volume of the box about it in its own axes; in a plane of the area of
 * the least rectangle about its shadow.
 */
function radiiLike(bodies: Bodies, axes: readonly number[]): Float64Array {
  return Float64Array.from({ length: bodies.count }, (_, k) => {
    if (!bodies.there[k]) return 0
    const like = axes.length === 3 ? Math.cbrt((6 / Math.PI) * volumeOf(bodies, k)) : Math.sqrt(areaOf(bodies, k, axes))
    return Math.min(ROOM * like, bodies.radius[k])
  })
}

/** Half the width of a body along a direction of unit length. */
const halfWidth = (bodies: Bodies, k: number, x: number, y: number, z: number): number =>
  overlapAlong(bodies, k, k, x, y, z) / 2

/** Of a box in the own axes of a body, made of its half widths. */
function volumeOf(bodies: Bodies, k: number): number {
  const m = bodies.turn.subarray(9 * k, 9 * k + 9)
  return [0, 1, 2].reduce((product, c) => product * halfWidth(bodies, k, m[c], m[3 + c], m[6 + c]), 1)
}

/** Of the least rectangle about a shadow, made of its half widths, by that of a disc; along one axis the square of the half width. */
function areaOf(bodies: Bodies, k: number, [a, b]: readonly number[]): number {
  const along = (angle: number): number => {
    const way = [0, 0, 0]
    way[a] = Math.cos(angle)
    if (b !== undefined) way[b] = Math.sin(angle)
    return halfWidth(bodies, k, way[0], way[1], way[2])
  }
  if (b === undefined) return along(0) ** 2
  let least = Infinity
  for (let n = 0; n < ANGLES; n++) {
    const angle = (Math.PI / 2) * (n / ANGLES)
    least = Math.min(least, along(angle) * along(angle + Math.PI / 2))
  }
  return (4 / Math.PI) * least
}

/** Bodies of which the balls overlap, those that hang together: the sets of which each member meets many. */
function heapsOf(balls: Balls, axes: readonly number[]): number[][] {
  const { count, position: p, middle: m, radius } = balls
  const partners = new Uint32Array(count)
  const root = Uint32Array.from({ length: count }, (_, k) => k)
  const rootOf = (k: number): number => {
    while (root[k] !== k) k = root[k] = root[root[k]]
    return k
  }
  new NearBodies(balls, 0).pairs((i, j) => {
    let square = 0
    for (const c of axes) square += (p[3 * j + c] + m[3 * j + c] - p[3 * i + c] - m[3 * i + c]) ** 2
    if (square >= (radius[i] + radius[j]) ** 2) return
    partners[i]++
    partners[j]++
    root[rootOf(i)] = rootOf(j)
  })
  const sets = new Map<number, number[]>()
  for (let k = 0; k < count; k++) {
    if (partners[k] === 0) continue
    const set = sets.get(rootOf(k))
    if (set) set.push(k)
    else sets.set(rootOf(k), [k])
  }
  return [...sets.values()].filter(
    (set) => set.length >= MANY && set.reduce((n, k) => n + partners[k], 0) >= DEEP * set.length,
  )
}

/** Widens a heap about its middle along the axes that are free, the shortest first, until there is room for its balls. */
function widen(
  { position: p, middle: m, radius }: Balls,
  heap: readonly number[],
  axes: readonly number[],
  { held, clearance, contain }: PushOptions,
): void {
  const centre = axes.map((c) => heap.reduce((sum, k) => sum + p[3 * k + c] + m[3 * k + c], 0) / heap.length)
  // As wide as a box in which they are spread evenly would be.
  const widths = axes.map((c, n) =>
    Math.sqrt((12 * heap.reduce((sum, k) => sum + (p[3 * k + c] + m[3 * k + c] - centre[n]) ** 2, 0)) / heap.length),
  )
  const size = [2, 2, Math.PI, (4 / 3) * Math.PI][axes.length]
  const needed =
    heap.reduce((sum, k) => sum + size * (radius[k] + clearance / 2) ** axes.length, 0) / FILLED[axes.length]
  const wanted = widened(widths, needed)
  for (const k of heap) {
    if (held?.[k]) continue
    axes.forEach((c, n) => {
      const off = p[3 * k + c] + m[3 * k + c] - centre[n]
      const isFlat = widths[n] < 1e-6 * wanted[n]
      const to = isFlat ? wanted[n] * (mix(3 * k + c + 1) / 2 ** 32 - 0.5) : (off * wanted[n]) / widths[n]
      p[3 * k + c] += to - off
    })
    contain?.(p, k)
  }
}

/** Widths of which the product is at least so much: the smallest are raised, to the same. */
function widened(widths: readonly number[], needed: number): number[] {
  const rising = widths.toSorted((a, b) => a - b)
  for (let raised = 1; raised <= rising.length; raised++) {
    const others = rising.slice(raised).reduce((product, w) => product * w, 1)
    const to = (needed / others) ** (1 / raised)
    if (raised === rising.length || to <= rising[raised]) return widths.map((w) => Math.max(w, to))
  }
  return [...widths]
}

/** Pushes balls apart, round after round, until they are near enough to it. */
function spread(balls: Balls, options: PushOptions): void {
  const { count, there, radius, position } = balls
  const { clearance, held, contain } = options
  const near = new NearPairs(balls, clearance, held)
  const mean = radius.reduce((sum, r, k) => sum + there[k] * r, 0) / there.reduce((sum, is) => sum + is, 0)
  for (let round = 0; round < MOST_ROUNDS; round++) {
    near.renew()
    const worst = pushBalls(balls, near, options)
    if (contain) for (let k = 0; k < count; k++) if (there[k] && !held?.[k]) contain(position, k)
    if (worst <= ENOUGH * (2 * mean + clearance)) return
  }
}
