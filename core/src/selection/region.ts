import { areaOf, isInside } from '../scatter/area'
import { inWorld } from '../model/inWorld'
import type { Stands } from './near'

/** An outline that was drawn on a picture of the arrangement. */
export interface Region {
  /** From the world to the picture as it was then: a 4 × 4 matrix, column by column, to clip space (x and y from −w to w in the picture). */
  readonly view: readonly number[]
  /** Its corners in order: x to the right and y upward, from −1 to 1 over the picture. */
  readonly corners: readonly (readonly [x: number, y: number])[]
}

/**
 * Whether copies stand inside an outline that was drawn: whether their places are seen in it (even–odd), from where it was drawn. What is
 * behind the eye is not. Where an arrangement is seen from now does not matter.
 */
export function inRegion({ pattern, table }: Stands, { view: m, corners }: Region): (row: number) => boolean {
  const area = areaOf({ kind: 'polygon', points: corners.map(([x, y]) => [x, y]) })
  return (row) => {
    const [x, y, z] = inWorld(pattern, table.placingOf(row)).move
    const w = m[3] * x + m[7] * y + m[11] * z + m[15]
    if (w <= 0) return false
    const across = (m[0] * x + m[4] * y + m[8] * z + m[12]) / w
    const up = (m[1] * x + m[5] * y + m[9] * z + m[13]) / w
    return isInside(area, across, up, 0)
  }
}
