import type { Vec3 } from '../model/values'

/** A smooth piece of a curve over t from 0 to 1, in metres. */
export interface Segment {
  point(t: number): Vec3
  /** The derivative by t; may be 0 at a cusp. */
  velocity(t: number): Vec3
  /** Its length, without making a vector: what measuring asks for most. */
  speed(t: number): number
}

/** A run of segments, each beginning where the one before it ends. */
export interface Contour {
  readonly segments: readonly Segment[]
  readonly closed: boolean
}

const mixed = (a: Readonly<Vec3>, b: Readonly<Vec3>, t: number): Vec3 => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]
const minus = (a: Readonly<Vec3>, b: Readonly<Vec3>): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/** A straight piece. */
export function line(from: Readonly<Vec3>, to: Readonly<Vec3>): Segment {
  const way = minus(to, from)
  const length = Math.hypot(...way)
  return { point: (t) => mixed(from, to, t), velocity: () => way, speed: () => length }
}

/** A cubic Bézier piece, by de Casteljau. */
export function cubic(a: Readonly<Vec3>, b: Readonly<Vec3>, c: Readonly<Vec3>, d: Readonly<Vec3>): Segment {
  const [u, v, w] = [minus(b, a), minus(c, b), minus(d, c)]
  return {
    point(t) {
      const [ab, bc, cd] = [mixed(a, b, t), mixed(b, c, t), mixed(c, d, t)]
      return mixed(mixed(ab, bc, t), mixed(bc, cd, t), t)
    },
    velocity(t) {
      const s = mixed(mixed(u, v, t), mixed(v, w, t), t)
      return [3 * s[0], 3 * s[1], 3 * s[2]]
    },
    speed(t) {
      const [r, p, q] = [(1 - t) * (1 - t), 2 * t * (1 - t), t * t]
      const x = u[0] * r + v[0] * p + w[0] * q
      const y = u[1] * r + v[1] * p + w[1] * q
      const z = u[2] * r + v[2] * p + w[2] * q
      return 3 * Math.sqrt(x * x + y * y + z * z)
    },
  }
}

/** A piece given by its formulas. */
export const formula = (point: (t: number) => Vec3, velocity: (t: number) => Vec3): Segment => ({
  point,
  velocity,
  speed(t) {
    const [x, y, z] = velocity(t)
    return Math.sqrt(x * x + y * y + z * z)
  },
})

/**
 * Keeps what was made from a point and others for as long as they are the same objects. Documents change by sharing what
 * stays, so that moving one point of a long curve makes anew only the pieces beside it.
 */
export function remembering<T>(): (first: object, others: readonly unknown[], make: () => T) => T {
  const kept = new WeakMap<object, { readonly others: readonly unknown[]; readonly made: T }>()
  return (first, others, make) => {
    const known = kept.get(first)
    if (known && known.others.length === others.length && known.others.every((other, i) => other === others[i])) return known.made
    const made = make()
    kept.set(first, { others, made })
    return made
  }
}
