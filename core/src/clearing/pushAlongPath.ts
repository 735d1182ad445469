import type { Measure } from '../curves/measure'
import { NearestOnCurve } from '../curves/nearest'
import type { Vec3 } from '../model/values'
import type { Bodies } from './bodies'
import { type Gaps, gapOf } from './gap'
import { Neighbours } from './neighbours'
import type { PushOptions, PushOutcome } from './pushApart'

/** A way along that frees two by less than this share of itself is no way to free them. */
const LEAST_GAIN = 0.15

/** A copy on a path: on which contour, how far along it, and where it stands from there in the curve's own axes. */
interface Rider {
  readonly measure: Measure
  length: number
  readonly offset: Vec3
}

/**
 * Pushes copies apart along the path on which they stand, each on its own contour: every pair that is too near moves apart along
 * it by as much as it lacks, each by half, round after round. What a copy stands beside the path stays; turns stay.
 */
export function pushAlongPath(
  bodies: Bodies,
  contours: readonly Measure[],
  options: PushOptions,
  gaps: Gaps,
): PushOutcome {
  const { clearance, within, rounds, held } = options
  const riders = ridersOn(bodies, contours)
  const neighbours = new Neighbours(bodies, clearance)
  const byRound: number[] = []
  for (let round = 0; ; round++) {
    if (round > 0) neighbours.sort()
    let worst = 0
    neighbours.pairs((i, j) => {
      if (held?.[i] && held[j]) return
      worst = Math.max(worst, clearance - gaps.between(i, j))
    })
    if (round > 0) byRound.push(worst)
    if (worst <= within || round === rounds) return { rounds: round, worst, byRound }
    neighbours.pairs((i, j) => {
      if (held?.[i] && held[j]) return
      const lack = clearance - gaps.between(i, j)
      if (lack > 0) pushPair(bodies, riders, i, j, lack, held)
    })
  }
}

function ridersOn({ position: p, count, there }: Bodies, contours: readonly Measure[]): readonly (Rider | undefined)[] {
  const nearest = contours.map((measure) => ({ measure, curve: new NearestOnCurve(measure) }))
  return Array.from({ length: count }, (_, k) => {
    if (!there[k]) return undefined
    const at: Vec3 = [p[3 * k], p[3 * k + 1], p[3 * k + 2]]
    let best: { measure: Measure; length: number; distance: number } | undefined
    for (const { measure, curve } of nearest) {
      const found = curve.to(at)
      if (!best || found.distance < best.distance) best = { measure, ...found }
    }
    if (!best) return undefined
    const { measure, length } = best
    const [axes, point] = axesAt(measure, length)
    const beside = at.map((n, i) => n - point[i])
    const offset = axes.map((axis) => axis.reduce((sum, n, i) => sum + n * beside[i], 0)) as Vec3
    return { measure, length, offset }
  })
}

/** The curve's direction, its side and what is up on it, and the place, at a length. */
function axesAt(measure: Measure, length: number): readonly [axes: readonly [Vec3, Vec3, Vec3], point: Vec3] {
  const { point, tangent: t } = measure.at(length)
  const [sx, sz] = [-t[2], t[0]]
  const flat = Math.hypot(sx, sz)
  const side: Vec3 = flat > 1e-6 ? [sx / flat, 0, sz / flat] : [1, 0, 0]
  const up: Vec3 = [side[1] * t[2] - side[2] * t[1], side[2] * t[0] - side[0] * t[2], side[0] * t[1] - side[1] * t[0]]
  return [[[...t], side, up], point]
}

function pushPair(
  bodies: Bodies,
  riders: readonly (Rider | undefined)[],
  i: number,
  j: number,
  lack: number,
  held: Uint8Array | undefined,
): void {
  const { x, y, z } = gapOf(bodies, i, j)
  const along = (rider: Rider | undefined): number => {
    if (!rider) return 0
    const { tangent: t } = rider.measure.at(rider.length)
    return x * t[0] + y * t[1] + z * t[2]
  }
  const [a, b] = [riders[i], riders[j]]
  const [ga, gb] = [along(a), along(b)]
  // On one contour the one farther along goes on; on two, each goes the way that leads it off.
  const same = a && b && a.measure === b.measure
  const ahead = same ? signOf(wayRound(a, b), i, j) : 0
  const [da, db] = same ? [-ahead, ahead] : [ga > 0 ? -1 : 1, gb < 0 ? -1 : 1]
  const [sa, sb] = [a && !held?.[i] ? 1 : 0, b && !held?.[j] ? 1 : 0]
  if (sa + sb === 0) return
  // Both move by one amount, which is as much as together gains what is lacking.
  const gain = db * gb * sb - da * ga * sa
  const amount = (lack * (1 + 1e-9)) / Math.max(gain, LEAST_GAIN * (sa + sb))
  if (a && sa) ride(bodies, a, i, da * amount)
  if (b && sb) ride(bodies, b, j, db * amount)
}

/** How far one rider is ahead of another on their contour, the shorter way round where it is closed. */
function wayRound({ measure, length: from }: Rider, { length: to }: Rider): number {
  const way = to - from
  if (!measure.contour.closed) return way
  return way - measure.length * Math.round(way / measure.length)
}

const signOf = (way: number, i: number, j: number): number => (way === 0 ? (i < j ? 1 : -1) : Math.sign(way))

function ride({ position: p }: Bodies, rider: Rider, k: number, by: number): void {
  const { measure, offset } = rider
  const { length, contour } = measure
  const to = rider.length + by
  rider.length = contour.closed ? to - length * Math.floor(to / length) : Math.min(Math.max(to, 0), length)
  const [axes, point] = axesAt(measure, rider.length)
  for (let i = 0; i < 3; i++) p[3 * k + i] = point[i] + axes.reduce((sum, axis, n) => sum + offset[n] * axis[i], 0)
}
