import type { Vec3 } from '../values/values'

/** A smooth piece of a curve over t from 0 to 1, in metres. */
export abstract class Segment {
  /** Writes the point at t (three numbers) and the derivative by t (three more), which may be 0 at a cusp; allocates nothing. */
  abstract trace(t: number, out: Float64Array): void
  /** The length of the derivative: what measuring asks for most. */
  abstract speed(t: number): number

  point(t: number): Vec3 {
    const out = new Float64Array(6)
    this.trace(t, out)
    return [out[0], out[1], out[2]]
  }

  velocity(t: number): Vec3 {
    const out = new Float64Array(6)
    this.trace(t, out)
    return [out[3], out[4], out[5]]
  }
}

/** A run of segments, each beginning where the one before it ends. */
export interface Contour {
  readonly segments: readonly Segment[]
  readonly closed: boolean
}

class Line extends Segment {
  private readonly way: readonly number[]
  private readonly length: number

  constructor(
    private readonly from: Readonly<Vec3>,
    to: Readonly<Vec3>,
  ) {
    super()
    this.way = to.map((n, i) => n - from[i])
    this.length = Math.hypot(...this.way)
  }

  trace(t: number, out: Float64Array): void {
    for (let i = 0; i < 3; i++) {
      out[i] = this.from[i] + this.way[i] * t
      out[3 + i] = this.way[i]
    }
  }

  speed(): number {
    return this.length
  }
}

class Cubic extends Segment {
  /** The four points, coordinate by coordinate. */
  private readonly p: Float64Array
  /** Three times the differences of neighbouring points, coordinate by coordinate. */
  private readonly d: Float64Array

  constructor(...[a, b, c, e]: readonly Readonly<Vec3>[]) {
    super()
    this.p = Float64Array.from([0, 1, 2].flatMap((i) => [a[i], b[i], c[i], e[i]]))
    this.d = Float64Array.from([0, 1, 2].flatMap((i) => [3 * (b[i] - a[i]), 3 * (c[i] - b[i]), 3 * (e[i] - c[i])]))
  }

  trace(t: number, out: Float64Array): void {
    const { p, d } = this
    const s = 1 - t
    const [s2, t2] = [s * s, t * t]
    for (let i = 0; i < 3; i++) {
      const k = 4 * i
      out[i] = s2 * s * p[k] + 3 * s2 * t * p[k + 1] + 3 * s * t2 * p[k + 2] + t2 * t * p[k + 3]
      out[3 + i] = s2 * d[3 * i] + 2 * s * t * d[3 * i + 1] + t2 * d[3 * i + 2]
    }
  }

  speed(t: number): number {
    const { d } = this
    const s = 1 - t
    const a = s * s
    const b = 2 * s * t
    const c = t * t
    const x = a * d[0] + b * d[1] + c * d[2]
    const y = a * d[3] + b * d[4] + c * d[5]
    const z = a * d[6] + b * d[7] + c * d[8]
    return Math.sqrt(x * x + y * y + z * z)
  }
}

class Formula extends Segment {
  constructor(
    private readonly place: (t: number) => Vec3,
    private readonly change: (t: number) => Vec3,
  ) {
    super()
  }

  trace(t: number, out: Float64Array): void {
    out.set(this.place(t))
    out.set(this.change(t), 3)
  }

  speed(t: number): number {
    const [x, y, z] = this.change(t)
    return Math.sqrt(x * x + y * y + z * z)
  }
}

/** A straight piece. */
export const line = (from: Readonly<Vec3>, to: Readonly<Vec3>): Segment => new Line(from, to)

/** A cubic Bézier piece. */
export const cubic = (a: Readonly<Vec3>, b: Readonly<Vec3>, c: Readonly<Vec3>, d: Readonly<Vec3>): Segment =>
  new Cubic(a, b, c, d)

/** A piece given by its formulas: its point and its derivative. */
export const formula = (point: (t: number) => Vec3, velocity: (t: number) => Vec3): Segment =>
  new Formula(point, velocity)

/**
 * Keeps what was made from a point and others for as long as they are the same objects. Documents change by sharing what
 * stays, so that moving one point of a long curve makes anew only the pieces beside it.
 */
export function remembering<T>(): (first: object, others: readonly unknown[], make: () => T) => T {
  const kept = new WeakMap<object, { readonly others: readonly unknown[]; readonly made: T }>()
  return (first, others, make) => {
    const known = kept.get(first)
    if (known && known.others.length === others.length && known.others.every((other, i) => other === others[i]))
      return known.made
    const made = make()
    kept.set(first, { others, made })
    return made
  }
}
