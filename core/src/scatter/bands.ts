import { PlaceIndex } from '../geometry/placeIndex'
import { type Area, isInside } from './area'
import { atDepth, curvesAtDepth } from './levels'
import { pairNumber } from './lattice'
import type { Margin, Scatter } from './spread'

/** Curves are told by squares of so much of the distance. */
const FINE = 1 / 4
/** Steps that are shorter by no more than this share are as long as asked. */
const FIT = 1e-9
/** A closed run of equal steps is looked for to so many halvings. */
const HALVINGS = 48

/**
 * Points in bands that follow the edge of an area: the first one along it, each other one as far further in, and in each of them equal
 * steps all round, straight from one to the next, as short as they can be without any two being nearer than asked. A higher count goes on
 * inward and keeps those that there were.
 *
 * A point's dart is its band and its place in it.
 */
export function bands(area: Area, margin: Margin, count: number, least: number): Scatter {
  const near = new PlaceIndex(least, { flat: true })
  const below = least * (1 - 3 * FIT)
  const points: number[] = []
  const darts: number[] = []
  const [x0, y0] = area.rings[0]
  for (let band = 0; darts.length < count; band++) {
    const depth = margin.most + band * least
    const curves = curvesAtDepth(area, depth, least * FINE)
    if (curves.length === 0) break
    let place = 0
    for (const curve of ordered(curves, x0, y0))
      for (const [x, y] of equalSteps(fromNearest(curve, x0, y0), least)) {
        const dart = pairNumber(band, place++)
        const [px, py] = atDepth(area, depth, x, y, least * FINE)
        if (darts.length >= count) break
        if (near.find(px, py, 0, below) >= 0 || !isInside(area, px, py, depth - 1e-9)) continue
        near.add(px, py, 0)
        if (margin.keeps?.(px, py, dart) === false) continue
        points.push(px, py)
        darts.push(dart)
      }
  }
  return {
    points: Float64Array.from(points),
    darts: Uint32Array.from(darts),
    count: darts.length,
    full: darts.length < count,
  }
}

/** The longest first, so that small ones that come and go as the outline changes number none of the others. */
const ordered = (curves: readonly Float64Array[], x: number, y: number): Float64Array[] =>
  curves
    .map((curve) => ({ curve, length: lengthOf(curve), away: nearestTo(curve, x, y).away }))
    .sort((a, b) => b.length - a.length || a.away - b.away)
    .map(({ curve }) => curve)

function lengthOf(p: Float64Array): number {
  let length = 0
  for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) length += Math.hypot(p[i] - p[j], p[i + 1] - p[j + 1])
  return length
}

function nearestTo(p: Float64Array, x: number, y: number): { readonly at: number; readonly away: number } {
  let [at, away] = [0, Infinity]
  for (let i = 0; i < p.length; i += 2) {
    const own = Math.hypot(p[i] - x, p[i + 1] - y)
    if (own < away) [at, away] = [i, own]
  }
  return { at, away }
}

/** The same closed curve from the corner that is nearest to a place on. */
function fromNearest(p: Float64Array, x: number, y: number): Float64Array {
  const { at } = nearestTo(p, x, y)
  const turned = new Float64Array(p.length)
  turned.set(p.subarray(at))
  turned.set(p.subarray(0, at), p.length - at)
  return turned
}

/**
 * Places round a closed curve that are equally far from each other, straight from one to the next and from the last to the first: as many
 * as are no nearer than asked; the first one alone where there is no room for a second.
 */
function equalSteps(curve: Float64Array, least: number): [number, number][] {
  const shortest = least * (1 - FIT)
  const n = walk(curve, shortest, Infinity)
  if (n < 2) return [[curve[0], curve[1]]]
  // The longest step with which so many still come round: no longer than the curve between two.
  let [short, long] = [shortest, (lengthOf(curve) / n) * (1 + 1e-9)]
  for (let halving = 0; halving < HALVINGS; halving++) {
    const step = (short + long) / 2
    if (walk(curve, step, n) === n) short = step
    else long = step
  }
  const places: [number, number][] = [[curve[0], curve[1]]]
  walk(curve, short, n - 1, (x, y) => places.push([x, y]))
  return places
}

/**
 * Goes round a closed curve from its first corner in steps that are straight from one place to the next, and not past the corner again.
 *
 * @param most after so many steps it stops
 * @param each told of every place but the first
 * @returns how many steps were made
 */
function walk(p: Float64Array, step: number, most: number, each?: (x: number, y: number) => void): number {
  let [x, y] = [p[0], p[1]]
  let steps = 0
  for (let at = 0; at < p.length; at += 2) {
    const next = (at + 2) % p.length
    const [ax, ay] = [p[at], p[at + 1]]
    const [dx, dy] = [p[next] - ax, p[next + 1] - ay]
    // Forward to where the curve leaves the circle about the last place.
    for (let share = leavingAt(ax - x, ay - y, dx, dy, step, 0); share >= 0;) {
      if (steps === most) return steps
      steps++
      x = ax + share * dx
      y = ay + share * dy
      each?.(x, y)
      share = leavingAt(ax - x, ay - y, dx, dy, step, share)
    }
  }
  return steps
}

/** At which share of a straight piece, from another one on, it leaves a circle about the origin; below 0 where it does not. */
function leavingAt(ax: number, ay: number, dx: number, dy: number, radius: number, from: number): number {
  const a = dx * dx + dy * dy
  if (a === 0) return -1
  const b = ax * dx + ay * dy
  const root = b * b - a * (ax * ax + ay * ay - radius * radius)
  if (root < 0) return -1
  const share = (-b + Math.sqrt(root)) / a
  return share > from && share <= 1 ? share : -1
}
