import { thingsIn } from '../evaluate'
import { overlapsIn } from '../evaluation/overlaps'
import type { Project } from '../model/project'
import { mirrorThings } from '../parts/hands'
import type { MeshLibrary } from '../parts/partMesh'
import type { Finding, LookedAt } from './definition'
import { findingsOf } from './findings'

/**
 * Looks a project through as it was worked out, the worst first.
 *
 * @param outcomes of all its patterns, in their order
 */
export function lookThrough(project: Project, meshes: MeshLibrary, outcomes: readonly LookedAt[]): Finding[] {
  const source = { parts: project.parts, meshes }
  const { shapeOf } = thingsIn(project, meshes, outcomes)
  return findingsOf({
    project,
    outcomes,
    overlapsOf: (pattern, { table }) => overlapsIn(pattern, table, shapeOf, source),
    things: mirrorThings(source, () => ''),
    source,
    shapeOf,
  })
}
