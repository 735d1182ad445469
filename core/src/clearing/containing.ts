import { type Area, depthIn } from '../scatter/area'

/** How far apart two places are by which it is told which way leads away from what is kept out, in metres. */
const ASIDE = 1e-5
/** What is missing by less than this is there, in metres. */
const ENOUGH = 1e-12

/** Brings pivots that left an area back to its nearest place, each so far from its edge, and out of what is kept out of it. */
export function containInArea(
  area: Area,
  marginOf: (k: number) => number,
): (position: Float64Array, k: number) => void {
  const { rings, centre, beyond } = area

  /** To the nearest place of the edge, and inward from there. */
  function toEdge(position: Float64Array, k: number, margin: number): void {
    const [x, z] = [position[3 * k], position[3 * k + 2]]
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
    const inner = depthIn(rings, nx + ix * 1e-6, nz + iz * 1e-6) > 0 ? 1 : -1
    position[3 * k] = nx + inner * ix * margin
    position[3 * k + 2] = nz + inner * iz * margin
  }

  /** Straight away from what is kept out, by as much as is missing; false where no way leads away. */
  function away(position: Float64Array, k: number, by: number): boolean {
    const [x, z] = [position[3 * k], position[3 * k + 2]]
    const gx = beyond!(x + ASIDE, z) - beyond!(x - ASIDE, z)
    const gz = beyond!(x, z + ASIDE) - beyond!(x, z - ASIDE)
    const length = Math.hypot(gx, gz)
    if (length === 0) return false
    position[3 * k] += (by * gx) / length
    position[3 * k + 2] += (by * gz) / length
    return true
  }

  return (position, k) => {
    const margin = marginOf(k)
    for (let tries = 0; tries < 4; tries++) {
      const isOut = depthIn(rings, position[3 * k], position[3 * k + 2]) < margin - ENOUGH
      if (isOut) toEdge(position, k, margin)
      const lacks = beyond ? margin - beyond(position[3 * k], position[3 * k + 2]) : 0
      if (lacks <= ENOUGH) {
        if (!isOut || margin === 0) return
      } else if (!away(position, k, lacks)) return
    }
    if (beyond && depthIn(rings, position[3 * k], position[3 * k + 2]) >= margin - ENOUGH) return
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
