import type { InstanceTable } from '../instances'
import type { PartSource } from '../parts/partMesh'
import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { gapsByMesh } from '../parts/meshGaps'
import { type Crowd, type Overlap, findOverlaps, mostReach } from '../clearing/overlaps'
import type { Pattern } from '../model/pattern'
import { stepDefinitionOf } from '../steps/index'

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

/** What counts as an overlap in a pattern, the deepest first: one that keeps its copies clear to within a little is allowed that little. */
export function overlapsOf({ steps }: Pick<Pattern, 'steps'>, { overlaps }: Crowd): readonly Overlap[] {
  const within = steps.reduce((most, step) => Math.max(most, stepDefinitionOf(step).within?.(step) ?? 0), 0)
  return within > 0 ? overlaps.filter(({ depth }) => depth > within) : overlaps
}
