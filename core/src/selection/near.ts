import { PlaceIndex } from '../geometry/placeIndex'
import type { Vec3 } from '../geometry/vec'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import { inWorld } from '../model/inWorld'

/** A pattern and where its copies are. */
export interface Stands {
  readonly pattern: Pattern
  readonly table: InstanceTable
}

/** The places of the copies of a pattern that are there, in the world, in metres. */
export function placesOf({ pattern, table }: Stands): Vec3[] {
  const places: Vec3[] = []
  for (let k = 0; k < table.count; k++) if (table.isPresent(k)) places.push(inWorld(pattern, table.placingOf(k)).move)
  return places
}

/**
 * Whether copies stand no farther from one of some places than a distance: from place to place, not from outline to outline.
 *
 * @param places in the world, in metres
 * @param within in metres, above 0
 */
export function nearPlaces(
  { pattern, table }: Stands,
  places: readonly Readonly<Vec3>[],
  within: number,
): (row: number) => boolean {
  const index = new PlaceIndex(within, { expected: places.length })
  for (const [x, y, z] of places) index.add(x, y, z)
  return (row) => index.find(...inWorld(pattern, table.placingOf(row)).move, within) >= 0
}
