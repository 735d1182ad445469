import type { Vec3 } from './vec'

/** A box along the axes, from its lowest corner to its highest. */
export interface Box {
  readonly low: Vec3
  readonly high: Vec3
}

/** What stands for the box about nothing: a point at the origin. */
export const NO_BOX: Box = { low: [0, 0, 0], high: [0, 0, 0] }

/** The box about points, three numbers each; undefined where there are none. */
export function boxAround(points: ArrayLike<number>, wanted: (point: number) => boolean = () => true): Box | undefined {
  const low: Vec3 = [Infinity, Infinity, Infinity]
  const high: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (let k = 0; 3 * k < points.length; k++) {
    if (!wanted(k)) continue
    for (let i = 0; i < 3; i++) {
      low[i] = Math.min(low[i], points[3 * k + i])
      high[i] = Math.max(high[i], points[3 * k + i])
    }
  }
  return low[0] <= high[0] ? { low, high } : undefined
}

export const middleOf = ({ low, high }: Box): Vec3 => [
  (low[0] + high[0]) / 2,
  (low[1] + high[1]) / 2,
  (low[2] + high[2]) / 2,
]

export const sizeOfBox = ({ low, high }: Box): Vec3 => [high[0] - low[0], high[1] - low[1], high[2] - low[2]]

/** The box about both; what is undefined takes up no room. */
export function boxOfBoth(a: Box | undefined, b: Box | undefined): Box | undefined {
  if (!a || !b) return a ?? b
  return {
    low: a.low.map((n, i) => Math.min(n, b.low[i])) as Vec3,
    high: a.high.map((n, i) => Math.max(n, b.high[i])) as Vec3,
  }
}
