import type { ArcLength } from '../curves/arcLength'
import { NearestOnCurve } from '../curves/nearest'
import type { Vec3 } from '../values/values'
import type { Bodies } from './bodies'
import { type Gaps, gapOf } from './gap'
import { NearBodies } from './nearBodies'
import type { PushOptions, PushOutcome } from './pushApart'

/** A way along that frees two by less than this share of itself is no way to free them. */
const LEAST_GAIN = 0.15

/** Where a copy rides on a path: how far along which contour. */
export interface Ride {
  readonly measure: ArcLength
  readonly length: number
}

/** The contours of a path, and where copies were placed on them. */
export interface Track {
  readonly contours: readonly ArcLength[]
  /** Undefined for copies that were not placed by it: they ride where it is nearest to them. */
  readonly rideOf: (k: number) => Ride | undefined
  /** Which way along its contours it goes back to where the copies begin, and whether it turns what stands on it. */
  readonly back: 1 | -1
  readonly turns: boolean
}

/** A copy that rides, and where it stands from there: level along the way, level to its side, and up. */
interface Rider {
  readonly measure: ArcLength
  length: number
  readonly offset: Vec3
  moved: number
}

/**
 * Pushes copies apart along the path on which they stand, each on its own contour: every pair that is too near moves apart along
 * it by as much as it lacks, each by half, round after round. What a copy stands beside the path stays; turns stay.
 *
 * @returns besides, how far each copy moved along its contour, in metres
 */
export function pushAlongPath(
  bodies: Bodies,
  track: Track,
  options: PushOptions,
  gaps: Gaps,
): PushOutcome & { readonly along: Float64Array } {
  const { clearance, within, rounds, held } = options
  const riders = ridersOn(bodies, track)
  const along = (): Float64Array => Float64Array.from(riders, (rider) => rider?.moved ?? 0)
  const neighbours = new NearBodies(bodies, clearance)
  const byRound: number[] = []
  for (let round = 0; ; round++) {
    if (round > 0) neighbours.sort()
    let worst = 0
    neighbours.pairs((i, j) => {
      if (held?.[i] && held[j]) return
      worst = Math.max(worst, clearance - gaps.between(i, j))
    })
    if (round > 0) byRound.push(worst)
    if (worst <= within || round === rounds) return { rounds: round, worst, byRound, along: along() }
    neighbours.pairs((i, j) => {
      if (held?.[i] && held[j]) return
      const lack = clearance - gaps.between(i, j)
      if (lack > 0) pushPair(bodies, riders, i, j, lack, held)
    })
  }
}

function ridersOn({ position: p, count, there }: Bodies, { contours, rideOf }: Track): readonly (Rider | undefined)[] {
  const nearest = contours.map((measure) => ({ measure, curve: new NearestOnCurve(measure) }))
  return Array.from({ length: count }, (_, k) => {
    if (!there[k]) return undefined
    const at: Vec3 = [p[3 * k], p[3 * k + 1], p[3 * k + 2]]
    const ride = rideOf(k) ?? nearestRide(at, nearest)
    if (!ride) return undefined
    const { measure, length } = ride
    const [[wx, wz], point] = levelAt(measure, length)
    const [x, y, z] = at.map((n, i) => n - point[i])
    return { measure, length, offset: [x * wx + z * wz, y, z * wx - x * wz], moved: 0 }
  })
}

function nearestRide(at: Vec3, nearest: readonly { measure: ArcLength; curve: NearestOnCurve }[]): Ride | undefined {
  let best: (Ride & { distance: number }) | undefined
  for (const { measure, curve } of nearest) {
    const found = curve.to(at)
    if (!best || found.distance < best.distance) best = { measure, ...found }
  }
  return best
}

/** Which way the curve runs as seen from above, across where it stands upright; and the place, at a length. */
function levelAt(measure: ArcLength, length: number): readonly [way: readonly [x: number, z: number], point: Vec3] {
  const { point, tangent } = measure.at(length)
  const flat = Math.hypot(tangent[0], tangent[2])
  return [flat > 1e-9 ? [tangent[0] / flat, tangent[2] / flat] : [1, 0], point]
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
  const wrapped = contour.closed ? to - length * Math.floor(to / length) : Math.min(Math.max(to, 0), length)
  rider.moved += contour.closed ? by : wrapped - rider.length
  rider.length = wrapped
  const [[wx, wz], point] = levelAt(measure, wrapped)
  p[3 * k] = point[0] + offset[0] * wx - offset[2] * wz
  p[3 * k + 1] = point[1] + offset[1]
  p[3 * k + 2] = point[2] + offset[0] * wz + offset[2] * wx
}
