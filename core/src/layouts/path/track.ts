import type { Ride, Track } from '../../clearing/pushAlongPath'
import { arcLengthOf } from '../../curves/arcLength'
import { buildCurve } from '../../curves/build'
import type { InstanceTable } from '../../instances'
import { gridPlaceOf } from '../../slots'
import type { PathOutcome } from './place'
import type { Path } from './schema'

/** The path along which copies were placed, with where each was. */
export function trackOf(path: Path, laid: PathOutcome, table: InstanceTable): Track | undefined {
  const built = buildCurve(path.curve)
  if (!built.ok) return undefined
  const contours = built.value.map((contour) => arcLengthOf(contour))
  const starts: number[] = []
  laid.contours.reduce((n, contour) => (starts.push(n), n + contour.copies), 0)
  const rides = Array.from({ length: table.count }, (_, row): Ride | undefined => {
    const [k, contour] = gridPlaceOf(table.slotLow[row], table.slotHigh[row])
    // Images that a reflection made were never placed on it.
    if (contour >= contours.length || k >= laid.contours[contour].copies) return undefined
    const measure = contours[contour]
    const along = laid.lengths[starts[contour] + k] - laid.contours[contour].from
    const length = path.reverse ? measure.length - path.slide - along : path.slide + along
    return { measure, length: measure.contour.closed ? length : Math.min(Math.max(length, 0), measure.length) }
  })
  return { contours, rideOf: (k) => rides[k], back: path.reverse ? 1 : -1, turns: path.facing !== 'unchanged' }
}
