import type { Quaternion } from '../geometry/rotation'
import type { Placing } from '../instances'

/** Where something is at a moment, and whether it is shown. */
export interface Pose extends Placing {
  readonly shown: boolean
}

/** How something moves, as keys between which readers go straight. */
export interface Track {
  /** In seconds, rising; at least the first and the last moment. */
  readonly times: readonly number[]
  readonly placings: readonly Placing[]
  /** From which moments on it is shown or not, where that changes; holds until the next. */
  readonly shown?: { readonly times: readonly number[]; readonly values: readonly boolean[] }
}

/** How far what is read back may be from what was meant: metres, radians, a share of the size. */
export interface Tolerance {
  readonly place: number
  readonly angle: number
  readonly size: number
}
export const usualTolerance: Tolerance = { place: 0.000_05, angle: (0.05 * Math.PI) / 180, size: 0.001 }

/** Where between two keys it is looked how far the straight way is off: not evenly, so that what repeats itself is not missed. */
const LOOKED = [0.13, 0.29, 0.5, 0.71, 0.87]
/** Two keys stand no closer than this, in seconds. */
const CLOSE = 1 / 4096

/**
 * Keys for a motion: at every moment at which it changes suddenly, and between these where the straight way would be off by more than the
 * tolerance; keys that nothing needs are left out.
 *
 * Straight keys rather than cubic splines: a spline carries two tangents a key, and with them no fewer numbers for curves like these
 * (0.05 mm over 180 mm: 15 keys of 1 against 5 of 3), while readers that blend clips treat straight ones alike.
 *
 * @param poseAt a function of time alone
 * @param turns moments at which it changes suddenly
 * @param finest so long it goes one way at the least, in seconds
 */
export function trackOf(
  poseAt: (time: number) => Pose,
  length: number,
  turns: readonly number[],
  finest: number,
  tolerance: Tolerance = usualTolerance,
): Track {
  const events = [...new Set([0, ...turns.filter((t) => t > 0 && t < length), length])].sort((a, b) => a - b)
  const times: number[] = [0]
  const placings: Placing[] = [poseAt(0)]
  const between = (from: number, a: Placing, to: number, b: Placing): void => {
    if (to - from > 2 * CLOSE && (to - from > finest || !isStraight(poseAt, from, a, to, b, tolerance))) {
      const middle = (from + to) / 2
      const pose = poseAt(middle)
      between(from, a, middle, pose)
      between(middle, pose, to, b)
    } else {
      times.push(to)
      placings.push(b)
    }
  }
  const shownTimes: number[] = []
  const values: boolean[] = []
  for (const [i, from] of events.slice(0, -1).entries()) {
    const to = events[i + 1]
    between(from, placings.at(-1)!, to, poseAt(to))
    const { shown } = poseAt((from + to) / 2)
    if (values.at(-1) === shown) continue
    shownTimes.push(from)
    values.push(shown)
  }
  return { ...withoutIdle(times, placings), ...(values.includes(false) && { shown: { times: shownTimes, values } }) }
}

/**
 * Keys that were taken one after another, without those that lie on the straight way between others: the longest run from each that stays
 * within the tolerance at every one that is left out. So a motion of n keys costs n × the longest run.
 */
export function straightened(
  times: readonly number[],
  placings: readonly Placing[],
  tolerance: Tolerance,
): Pick<Track, 'times' | 'placings'> {
  const kept = [0]
  for (let from = 0; from < times.length - 1;) {
    let to = from + 1
    while (to + 1 < times.length && isRunStraight(times, placings, from, to + 1, tolerance)) to++
    kept.push(to)
    from = to
  }
  return { times: kept.map((i) => times[i]), placings: kept.map((i) => placings[i]) }
}

function isRunStraight(
  times: readonly number[],
  placings: readonly Placing[],
  from: number,
  to: number,
  tolerance: Tolerance,
): boolean {
  for (let k = from + 1; k < to; k++) {
    const share = (times[k] - times[from]) / (times[to] - times[from])
    if (!isNear(placings[from], placings[to], share, placings[k], tolerance)) return false
  }
  return true
}

/** Whether going straight from one key to the next stays within the tolerance. */
function isStraight(
  poseAt: (time: number) => Pose,
  from: number,
  a: Placing,
  to: number,
  b: Placing,
  tolerance: Tolerance,
): boolean {
  return LOOKED.every((share) => isNear(a, b, share, poseAt(from + (to - from) * share), tolerance))
}

/** Whether a placing is within the tolerance of the straight way between two others. */
function isNear(a: Placing, b: Placing, share: number, meant: Placing, { place, angle, size }: Tolerance): boolean {
  const off = a.move.map((n, i) => n + (b.move[i] - n) * share - meant.move[i])
  const stretched = a.size.map((n, i) => (n + (b.size[i] - n) * share - meant.size[i]) / Math.max(b.size[i], a.size[i]))
  return (
    Math.hypot(...off) <= place &&
    stretched.every((n) => Math.abs(n) <= size) &&
    angleBetween(between(a.turn, b.turn, share), meant.turn) <= angle
  )
}

/** Keys among others that stand alike say nothing. */
function withoutIdle(times: readonly number[], placings: readonly Placing[]): Pick<Track, 'times' | 'placings'> {
  const same = (a: Placing, b: Placing): boolean =>
    a.move.every((n, i) => n === b.move[i]) &&
    a.turn.every((n, i) => n === b.turn[i]) &&
    a.size.every((n, i) => n === b.size[i])
  const kept = times
    .map((_, i) => i)
    .filter(
      (i) =>
        i === 0 || i === times.length - 1 || !same(placings[i - 1], placings[i]) || !same(placings[i], placings[i + 1]),
    )
  return { times: kept.map((i) => times[i]), placings: kept.map((i) => placings[i]) }
}

/** The shorter way round between two turns, at even speed (Shoemake 1985); by straight numbers where they all but agree, as readers do. */
export function between(a: Quaternion, b: Quaternion, share: number): Quaternion {
  const dot = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3]
  const sign = dot < 0 ? -1 : 1
  const angle = Math.acos(Math.min(Math.abs(dot), 1))
  const [p, q] =
    angle < 1e-6
      ? [1 - share, share]
      : [Math.sin((1 - share) * angle) / Math.sin(angle), Math.sin(share * angle) / Math.sin(angle)]
  const [x, y, z, w] = a.map((n, i) => p * n + sign * q * b[i])
  const length = Math.hypot(x, y, z, w)
  return [x / length, y / length, z / length, w / length]
}

/** In radians. */
export function angleBetween(a: Quaternion, b: Quaternion): number {
  // By the sine: the cosine of a small angle tells nothing of it.
  const sign = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3] < 0 ? -1 : 1
  return 4 * Math.asin(Math.min(Math.hypot(...a.map((n, i) => n - sign * b[i])) / 2, 1))
}
