import type { InstanceTable } from '../instances'
import type { PartSource } from '../parts/partMesh'
import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { gapsByMesh } from '../parts/meshGaps'
import { type Crowd, findOverlaps, mostReach } from '../clearing/overlaps'

/**
 * How the copies of a table stand to each other, by their outlines, or by their triangles where a source of them is given.
 *
 * @param look gaps are measured up to so many radii of the largest copy
 */
export function crowdIn(
  table: InstanceTable,
  shapeOf: (thing: number) => Convex | undefined,
  source?: PartSource,
  look = 0,
): Crowd {
  const bodies = new Bodies(table, shapeOf)
  const far = look * mostReach(bodies)
  return findOverlaps(bodies, 0, far, source && gapsByMesh(source)(bodies, table.thing, far))
}
