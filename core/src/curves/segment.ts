import type { Vec3 } from '../model/values'

/** A smooth piece of a curve over t from 0 to 1, in metres. */
export interface Segment {
  point(t: number): Vec3
  /** The derivative by t; may be 0 at a cusp. */
  velocity(t: number): Vec3
  /** Where neighbouring leaves of the length table should be cut in any case: known bends and turning points. */
  readonly key: string
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
  return { point: (t) => mixed(from, to, t), velocity: () => way, key: `L${from.join()};${to.join()}` }
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
    key: `C${a.join()};${b.join()};${c.join()};${d.join()}`,
  }
}

/** A piece given by its formulas. */
export const formula = (key: string, point: (t: number) => Vec3, velocity: (t: number) => Vec3): Segment => ({ key, point, velocity })
