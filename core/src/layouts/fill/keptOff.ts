import { type Area, areaBeyond, areaOf } from '../../scatter/area'
import type { DistanceTo } from '../context'
import type { Fill } from './schema'

/**
 * What a fill fills: its outline, without what it keeps off.
 *
 * @param distanceTo distances from other patterns' guides and outlines, in the axes of this one
 */
export function filledArea(fill: Pick<Fill, 'outline' | 'off' | 'margin'>, distanceTo: DistanceTo): Area {
  const area = areaOf(fill.outline)
  const beyond = keptOff(fill, distanceTo)
  return beyond ? areaBeyond(area, beyond) : area
}

/**
 * How much farther than asked a place is from what a fill keeps off; undefined where that has neither guide nor outline. The margin
 * along the fill's own edge is not kept there: what is asked for is.
 */
function keptOff({ off, margin }: Pick<Fill, 'off' | 'margin'>, distanceTo: DistanceTo): Area['beyond'] {
  const distances = off?.guides.flatMap((id) => distanceTo(id) ?? []) ?? []
  if (!off || distances.length === 0) return undefined
  return (x, y) => {
    let least = Infinity
    for (const distance of distances) least = Math.min(least, distance([x, 0, y]))
    return least - off.distance + margin
  }
}
