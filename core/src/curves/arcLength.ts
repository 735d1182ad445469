import type { Vec3 } from '../values/values'
import type { Contour, Segment } from './segment'

/** Nodes and weights of 8-point Gauss–Legendre quadrature on [−1, 1] (Abramowitz & Stegun, table 25.4). */
const NODES = [0.1834346424956498, 0.525532409916329, 0.7966664774136267, 0.9602898564975363]
const WEIGHTS = [0.362683783378362, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763]

/** Lengths are integrated until halving an interval changes them by less than this part of the whole. */
const TOLERANCE = 1e-11
const DEEPEST = 40

/** The length from t = a to t = b by one quadrature. */
function gauss(segment: Segment, a: number, b: number): number {
  const half = (b - a) / 2
  const middle = (a + b) / 2
  let sum = 0
  for (let i = 0; i < 4; i++)
    sum += WEIGHTS[i] * (segment.speed(middle - half * NODES[i]) + segment.speed(middle + half * NODES[i]))
  return sum * half
}

/** A segment cut into intervals on which one quadrature is exact enough, with the length from its start to each cut. */
interface Measured {
  readonly cuts: Float64Array
  readonly lengths: Float64Array
  /** dt/ds at the cuts; infinite at a cusp. */
  readonly slopes: Float64Array
}

function measureSegment(segment: Segment): Measured {
  const cuts = [0]
  const lengths = [0]
  const whole = Math.max(gauss(segment, 0, 0.5) + gauss(segment, 0.5, 1), 1e-300)
  // Halved where it matters only: at a cusp the speed has a kink, and intervals shrink towards it.
  const cut = (a: number, b: number, once: number, depth: number): void => {
    const middle = (a + b) / 2
    const [left, right] = [gauss(segment, a, middle), gauss(segment, middle, b)]
    if (
      depth >= DEEPEST ||
      (Math.abs(left + right - once) <= TOLERANCE * whole && guessIsClose(segment, a, b, left, left + right))
    ) {
      cuts.push(b)
      lengths.push(lengths[lengths.length - 1] + left + right)
      return
    }
    cut(a, middle, left, depth + 1)
    cut(middle, b, right, depth + 1)
  }
  // Two halves to begin with, so that a symmetric piece is not judged by one lucky quadrature.
  cut(0, 0.5, gauss(segment, 0, 0.5), 1)
  cut(0.5, 1, gauss(segment, 0.5, 1), 1)
  return {
    cuts: Float64Array.from(cuts),
    lengths: Float64Array.from(lengths),
    slopes: Float64Array.from(cuts, (t) => 1 / segment.speed(t)),
  }
}

/** Intervals are cut until the cubic guess of t is off by no more than this part of them. */
const CLOSE = 1e-6
/** Places need not be nearer than this part of the whole length: on a long curve of many intervals the guess is enough. */
const NEAR_ENOUGH = 1e-9

/** On intervals shorter than this, which only a cusp asks for, the guess is not judged. */
const SHORTEST = 1e-4

/** Whether the cubic that places are guessed by meets the interval's middle; on short intervals at a cusp it never will. */
function guessIsClose(segment: Segment, a: number, b: number, left: number, length: number): boolean {
  if (b - a < SHORTEST) return true
  const guess = hermite(a, b, length, 1 / segment.speed(a), 1 / segment.speed(b), left)
  return Math.abs(guess - (a + b) / 2) <= CLOSE * (b - a)
}

/** t at a length s of an interval from its ends and the slopes dt/ds there. */
function hermite(a: number, b: number, length: number, slopeA: number, slopeB: number, s: number): number {
  const u = s / length
  const [da, db] = [slopeA * length, slopeB * length]
  const rise = b - a
  return a + u * (da + u * (3 * rise - 2 * da - db + u * (da + db - 2 * rise)))
}

const measuredBefore = new WeakMap<Segment, Measured>()

/** Moving one point of a long curve leaves the other pieces as they were: they are not measured again. */
function measured(segment: Segment): Measured {
  const known = measuredBefore.get(segment)
  if (known) return known
  const made = measureSegment(segment)
  measuredBefore.set(segment, made)
  return made
}

const measures = new WeakMap<Contour, ArcLength>()

/** The measure of a contour, made once. */
export function arcLengthOf(contour: Contour): ArcLength {
  const known = measures.get(contour)
  if (known) return known
  const made = new ArcLength(contour)
  measures.set(contour, made)
  return made
}

export interface CurvePoint {
  readonly point: Vec3
  /** Unit vector along the curve; at a corner half-way between the directions before and after it. */
  readonly tangent: Vec3
}

/**
 * A contour by its true length: places are found by how far they lie along it, whatever its own points do.
 * Lengths are right to about 1e-10 of the whole and places to 1e-8, through cusps and doublings-back.
 */
export class ArcLength {
  readonly length: number
  /** Lengths at which corners lie, the start and end of an open contour not among them. */
  readonly corners: readonly number[]
  private readonly pieces: readonly Measured[]
  private readonly starts: Float64Array
  private last = 0
  private lastCut = 0

  constructor(readonly contour: Contour) {
    this.pieces = contour.segments.map(measured)
    this.starts = new Float64Array(this.pieces.length)
    let along = 0
    for (const [i, { lengths }] of this.pieces.entries()) {
      this.starts[i] = along
      along += lengths[lengths.length - 1]
    }
    this.length = along
    this.corners = this.findCorners()
  }

  /** The place at a length from the start; a closed contour goes round and round. */
  at(length: number): CurvePoint {
    const out = new Float64Array(6)
    this.trace(length, out)
    return { point: [out[0], out[1], out[2]], tangent: [out[3], out[4], out[5]] }
  }

  /** Writes the point at a length (three numbers) and the unit vector along the curve there (three more); allocates nothing. */
  trace(length: number, out: Float64Array): void {
    const s = this.wrap(length)
    const index = this.segmentAt(s)
    const t = this.parameter(index, s - this.starts[index])
    this.contour.segments[index].trace(t, out)
    const corner = this.corners.length > 0 ? this.cornerAt(s) : undefined
    const n = Math.sqrt(out[3] * out[3] + out[4] * out[4] + out[5] * out[5])
    if (corner === undefined && n > 1e-9 * this.length) {
      out[3] /= n
      out[4] /= n
      out[5] /= n
    } else out.set(corner ?? this.direction(index, t), 3)
  }

  private wrap(length: number): number {
    if (!this.contour.closed) return Math.min(Math.max(length, 0), this.length)
    const s = length % this.length
    return s < 0 ? s + this.length : s
  }

  /** The piece in which a length lies. Copies come in order, so the piece found last is looked at first. */
  private segmentAt(s: number): number {
    const { starts, last } = this
    if (starts[last] <= s && (last + 1 === starts.length || s < starts[last + 1])) return last
    return (this.last = this.search(s))
  }

  private search(s: number): number {
    let low = 0
    let high = this.starts.length - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (this.starts[middle] <= s) low = middle
      else high = middle - 1
    }
    return low
  }

  /** The t at which a piece has run a length: guessed by a cubic, then Newton's steps kept between the bounds. */
  private parameter(index: number, s: number): number {
    const segment = this.contour.segments[index]
    const { cuts, lengths, slopes } = this.pieces[index]
    let low = this.lastCut
    let high = low + 1
    if (high >= cuts.length || lengths[low] > s || lengths[high] <= s) {
      low = 0
      high = cuts.length - 1
    }
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (lengths[middle] <= s) low = middle
      else high = middle
    }
    this.lastCut = low
    let a = cuts[low]
    let b = cuts[high]
    const base = a
    const wanted = s - lengths[low]
    const span = lengths[high] - lengths[low]
    if (wanted <= 0 || span <= 0) return a
    if (wanted >= span) return b
    let t = hermite(a, b, span, slopes[low], slopes[high], wanted)
    if (!(t > a && t < b)) t = a + ((b - a) * wanted) / span
    else if (CLOSE * span <= NEAR_ENOUGH * this.length && b - a >= SHORTEST) return t
    for (let i = 0; i < 60 && b - a > 1e-16; i++) {
      const off = gauss(segment, base, t) - wanted
      if (off > 0) b = t
      else a = t
      const v = segment.speed(t)
      const next = v > 0 ? t - off / v : NaN
      const inside = next >= a && next <= b
      t = inside ? next : (a + b) / 2
      // Newton's error falls with its square: after a step this small the next one would change nothing.
      if (inside && Math.abs(off) <= 1e-6 * span) break
    }
    return t
  }

  /** The direction in which a piece runs at t; at a cusp the direction in which it goes on. */
  private direction(index: number, t: number): Vec3 {
    const segment = this.contour.segments[index]
    for (let step = 0; step < 0.1; step = step === 0 ? 1e-6 : step * 100) {
      const v = segment.velocity(t + step <= 1 ? t + step : t - step)
      const length = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2])
      if (length > 1e-9 * this.length) return [v[0] / length, v[1] / length, v[2] / length]
    }
    return [1, 0, 0]
  }

  private jointDirections(index: number): [before: Vec3, after: Vec3] {
    const previous = (index - 1 + this.contour.segments.length) % this.contour.segments.length
    return [this.direction(previous, 1), this.direction(index, 0)]
  }

  private findCorners(): number[] {
    const first = this.contour.closed ? 0 : 1
    const found: number[] = []
    for (let i = first; i < this.contour.segments.length; i++) {
      const [a, b] = this.jointDirections(i)
      // Above one degree a joint is a corner.
      if (a[0] * b[0] + a[1] * b[1] + a[2] * b[2] < Math.cos(Math.PI / 180)) found.push(this.starts[i])
    }
    return found
  }

  private cornerAt(s: number): Vec3 | undefined {
    const { corners } = this
    let [low, high] = [0, corners.length]
    const slack = 1e-9 * this.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (corners[middle] < s - slack) low = middle + 1
      else high = middle
    }
    if (low === corners.length || corners[low] > s + slack) return undefined
    const [a, b] = this.jointDirections(this.starts.indexOf(corners[low]))
    const sum: Vec3 = [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
    const length = Math.hypot(...sum)
    return length > 1e-9 ? [sum[0] / length, sum[1] / length, sum[2] / length] : b
  }
}
