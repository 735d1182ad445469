import type { InstanceTable } from '../../instances'
import type { Reach, ReachFrom } from '../../values/variation'
import { axes, type Vec3 } from '../../values/values'
import { areaOf, depthAt } from '../../scatter/area'
import { easings } from '../easing'
import type { Fields } from '../fields'

/**
 * How much of its strength a step has on each copy, by its distance from something: all of it where that is `full` or less, none
 * where it is `none` or more, eased between them; the other way round where `none` is the nearer one.
 *
 * @returns from 0 to 1 for each row; undefined where what distances are taken from is not there
 */
export function reachOf(table: InstanceTable, reach: Reach, fields: Fields): Float64Array | undefined {
  const distance = distanceFrom(reach.from, fields)
  if (!distance) return undefined
  const { full, none, easing } = reach
  const { position: p, count } = table
  const at: Vec3 = [0, 0, 0]
  return Float64Array.from({ length: count }, (_, k) => {
    for (let i = 0; i < 3; i++) at[i] = p[3 * k + i]
    const away = distance(at)
    if (full === none) return away <= full ? 1 : 0
    return easings[easing](Math.min(1, Math.max(0, (away - none) / (full - none))))
  })
}

function distanceFrom(from: ReachFrom, fields: Fields): ((place: Readonly<Vec3>) => number) | undefined {
  switch (from.kind) {
    case 'point':
      return (place) => Math.hypot(...place.map((n, i) => n - from.point[i]))
    case 'plane': {
      const i = axes.indexOf(from.axis)
      return (place) => Math.abs(place[i] - from.at)
    }
    case 'outline': {
      const area = areaOf(from.outline)
      const [x, z] = from.middle
      return (place) => Math.max(0, -depthAt(area, place[0] - x, place[2] - z))
    }
    case 'pattern': {
      const distance = fields.distanceTo(from.pattern)
      return distance && ((place) => Math.max(0, distance(place)))
    }
  }
}
