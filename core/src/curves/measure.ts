import type { Vec3 } from '../model/values'
import type { Contour, Segment } from './segment'

/** Nodes and weights of 8-point Gauss–Legendre quadrature on [−1, 1] (Abramowitz & Stegun, table 25.4). */
const NODES = [0.1834346424956498, 0.525532409916329, 0.7966664774136267, 0.9602898564975363]
const WEIGHTS = [0.362683783378362, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763]

/** Lengths are integrated until halving an interval changes them by less than this part of the whole. */
const TOLERANCE = 1e-11
const DEEPEST = 40

function speed(segment: Segment, t: number): number {
  const [x, y, z] = segment.velocity(t)
  return Math.sqrt(x * x + y * y + z * z)
}

/** The length from t = a to t = b by one quadrature. */
function gauss(segment: Segment, a: number, b: number): number {
  const [half, middle] = [(b - a) / 2, (a + b) / 2]
  let sum = 0
  for (let i = 0; i < 4; i++) sum += WEIGHTS[i] * (speed(segment, middle - half * NODES[i]) + speed(segment, middle + half * NODES[i]))
  return sum * half
}

/** A segment cut into intervals on which one quadrature is exact enough, with the length from its start to each cut. */
interface Measured {
  readonly cuts: readonly number[]
  readonly lengths: readonly number[]
}

function measureSegment(segment: Segment): Measured {
  const cuts = [0]
  const lengths = [0]
  const whole = Math.max(gauss(segment, 0, 0.5) + gauss(segment, 0.5, 1), 1e-300)
  // Halved where it matters only: at a cusp the speed has a kink, and intervals shrink towards it.
  const cut = (a: number, b: number, once: number, depth: number): void => {
    const middle = (a + b) / 2
    const [left, right] = [gauss(segment, a, middle), gauss(segment, middle, b)]
    if (depth >= DEEPEST || Math.abs(left + right - once) <= TOLERANCE * whole) {
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
  return { cuts, lengths }
}

const remembered = new Map<string, Measured>()
const MOST_REMEMBERED = 20_000

/** Moving one point of a long curve leaves the other pieces as they were: they are not measured again. */
function measured(segment: Segment): Measured {
  const known = remembered.get(segment.key)
  if (known) return known
  const made = measureSegment(segment)
  if (remembered.size >= MOST_REMEMBERED) remembered.clear()
  remembered.set(segment.key, made)
  return made
}

export interface Spot {
  readonly point: Vec3
  /** Unit vector along the curve; at a corner half-way between the directions before and after it. */
  readonly tangent: Vec3
}

/**
 * A contour by its true length: places are found by how far they lie along it, whatever its own points do.
 * Lengths are right to about 1e-10 of the whole, through cusps and doublings-back.
 */
export class Measure {
  readonly length: number
  /** Lengths at which corners lie, the start and end of an open contour not among them. */
  readonly corners: readonly number[]
  private readonly pieces: readonly Measured[]
  private readonly starts: readonly number[]

  constructor(readonly contour: Contour) {
    this.pieces = contour.segments.map(measured)
    const starts: number[] = []
    let along = 0
    for (const { lengths } of this.pieces) {
      starts.push(along)
      along += lengths[lengths.length - 1]
    }
    this.starts = starts
    this.length = along
    this.corners = this.findCorners()
  }

  /** The place at a length from the start; a closed contour goes round and round. */
  at(length: number): Spot {
    const s = this.wrap(length)
    const index = this.segmentAt(s)
    const corner = this.cornerAt(s)
    const segment = this.contour.segments[index]
    const t = this.parameter(index, s - this.starts[index])
    return { point: segment.point(t), tangent: corner ?? this.direction(index, t) }
  }

  private wrap(length: number): number {
    if (!this.contour.closed) return Math.min(Math.max(length, 0), this.length)
    const s = length % this.length
    return s < 0 ? s + this.length : s
  }

  private segmentAt(s: number): number {
    let [low, high] = [0, this.starts.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (this.starts[middle] <= s) low = middle
      else high = middle - 1
    }
    return low
  }

  /** The t at which a piece has run a length: by its table, then Newton's steps kept between the bounds. */
  private parameter(index: number, s: number): number {
    const segment = this.contour.segments[index]
    const { cuts, lengths } = this.pieces[index]
    let [low, high] = [0, cuts.length - 1]
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if (lengths[middle] <= s) low = middle
      else high = middle
    }
    let [a, b] = [cuts[low], cuts[high]]
    const base = cuts[low]
    const wanted = s - lengths[low]
    const span = lengths[high] - lengths[low]
    if (wanted <= 0 || span <= 0) return a
    if (wanted >= span) return b
    let t = a + ((b - a) * wanted) / span
    for (let i = 0; i < 60 && b - a > 1e-16; i++) {
      const off = gauss(segment, base, t) - wanted
      if (Math.abs(off) <= 1e-14 * this.length) break
      if (off > 0) b = t
      else a = t
      const v = speed(segment, t)
      const next = v > 0 ? t - off / v : NaN
      t = next > a && next < b ? next : (a + b) / 2
    }
    return t
  }

  /** The direction in which a piece runs at t; at a cusp the direction in which it goes on. */
  private direction(index: number, t: number): Vec3 {
    const segment = this.contour.segments[index]
    for (const step of [0, 1e-6, 1e-4, 1e-2]) {
      const at = t + step <= 1 ? t + step : t - step
      const v = segment.velocity(at)
      const length = Math.hypot(...v)
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
    const near = this.corners.find((corner) => Math.abs(corner - s) <= 1e-9 * this.length)
    if (near === undefined) return undefined
    const [a, b] = this.jointDirections(this.starts.indexOf(near))
    const sum: Vec3 = [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
    const length = Math.hypot(...sum)
    return length > 1e-9 ? (sum.map((n) => n / length) as Vec3) : b
  }
}
