import type { OutlineShape } from '../values/outline'
import { areaOf, depthAt } from '../scatter/area'

/** Brings pivots that left an outlined area back to its nearest place, each so far from its edge. */
export function containInArea(
  outline: OutlineShape,
  marginOf: (k: number) => number,
): (position: Float64Array, k: number) => void {
  const area = areaOf(outline)
  const { rings, centre } = area
  return (position, k) => {
    const margin = marginOf(k)
    for (let tries = 0; tries < 4; tries++) {
      const [x, z] = [position[3 * k], position[3 * k + 2]]
      const depth = depthAt(area, x, z)
      if (depth >= margin - 1e-12) return
      let [best, nx, nz, ex, ez] = [Infinity, 0, 0, 0, 0]
      for (const p of rings)
        for (let i = 0, j = p.length - 2; i < p.length; j = i, i += 2) {
          const [dx, dz] = [p[i] - p[j], p[i + 1] - p[j + 1]]
          const square = dx * dx + dz * dz || 1
          const t = Math.min(1, Math.max(0, ((x - p[j]) * dx + (z - p[j + 1]) * dz) / square))
          const [ax, az] = [p[j] + t * dx, p[j + 1] + t * dz]
          const away = (x - ax) ** 2 + (z - az) ** 2
          if (away < best) {
            best = away
            ;[nx, nz, ex, ez] = [ax, az, dx, dz]
          }
        }
      // Inward is square to the edge, on the side on which the area lies.
      const length = Math.hypot(ex, ez) || 1
      const [ix, iz] = [-ez / length, ex / length]
      const inner = depthAt(area, nx + ix * 1e-6, nz + iz * 1e-6) > 0 ? 1 : -1
      position[3 * k] = nx + inner * ix * margin
      position[3 * k + 2] = nz + inner * iz * margin
      if (margin === 0) return
    }
    position[3 * k] = centre[0]
    position[3 * k + 2] = centre[1]
  }
}

/** Brings pivots that left a box back to its nearest place. */
export function containInBox(
  low: readonly number[],
  high: readonly number[],
): (position: Float64Array, k: number) => void {
  return (position, k) => {
    for (let i = 0; i < 3; i++) position[3 * k + i] = Math.min(high[i], Math.max(low[i], position[3 * k + i]))
  }
}
