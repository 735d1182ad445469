import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { nearestGaps } from '../clearing/nearestGaps'
import { type Overlap, findOverlaps } from '../clearing/overlaps'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import { gapsByMesh } from '../parts/meshGaps'
import type { PartSource } from '../parts/partMesh'
import { stepDefinitionOf } from '../steps/index'

type ShapeOf = (thing: number) => Convex | undefined

/** The pairs of a table's copies that overlap, the deepest first: by their outlines, or by their triangles where a source of them is given. */
export function overlapsIn(table: InstanceTable, shapeOf: ShapeOf, source?: PartSource): Overlap[] {
  const bodies = new Bodies(table, shapeOf)
  return findOverlaps(bodies, 0, source && gapsByMesh(source)(bodies, table.thing, 0))
}

/** From each copy of a table to the nearest other one, a row each (see `nearestGaps`), by outlines or by triangles. */
export function nearestIn(table: InstanceTable, shapeOf: ShapeOf, source?: PartSource): Float64Array {
  const bodies = new Bodies(table, shapeOf)
  return nearestGaps(bodies, source && gapsByMesh(source)(bodies, table.thing, Infinity))
}

/** What counts as an overlap in a pattern: one that keeps its copies clear to within a little is allowed that little. */
export function countedOverlaps({ steps }: Pick<Pattern, 'steps'>, overlaps: readonly Overlap[]): readonly Overlap[] {
  const within = steps.reduce((most, step) => Math.max(most, stepDefinitionOf(step).within?.(step) ?? 0), 0)
  return within > 0 ? overlaps.filter(({ depth }) => depth > within) : overlaps
}
