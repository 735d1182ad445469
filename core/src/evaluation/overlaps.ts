import { Bodies } from '../clearing/bodies'
import type { Convex } from '../clearing/convex'
import { nearestGaps } from '../clearing/nearestGaps'
import { type Overlap, TOUCHING, findOverlaps } from '../clearing/overlaps'
import type { InstanceTable } from '../instances'
import type { Pattern } from '../model/pattern'
import { gapsByMesh } from '../parts/meshGaps'
import type { PartSource } from '../parts/partMesh'
import { stepDefinitionOf } from '../steps/index'

type ShapeOf = (thing: number) => Convex | undefined

/**
 * The pairs of a pattern's copies that overlap, the deepest first (see `findOverlaps`): by their outlines, or by their triangles where
 * the pattern goes by these. One that keeps its copies clear to within a little is allowed that little.
 */
export function overlapsIn(
  { edges, steps }: Pick<Pattern, 'edges' | 'steps'>,
  table: InstanceTable,
  shapeOf: ShapeOf,
  source: PartSource,
): Overlap[] {
  const bodies = new Bodies(table, shapeOf)
  const gaps = edges === 'mesh' ? gapsByMesh(source)(bodies, table.thing, 0) : undefined
  const within = steps.reduce((most, step) => Math.max(most, stepDefinitionOf(step).within?.(step) ?? 0), TOUCHING)
  return findOverlaps(bodies, 0, gaps, within)
}

/** From each copy of a table to the nearest other one, a row each (see `nearestGaps`), by outlines or by triangles. */
export function nearestIn(table: InstanceTable, shapeOf: ShapeOf, source?: PartSource): Float64Array {
  const bodies = new Bodies(table, shapeOf)
  return nearestGaps(bodies, source && gapsByMesh(source)(bodies, table.thing, Infinity))
}
