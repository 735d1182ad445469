import { thingsIn } from '@hilera/core/evaluate'
import { overlapsIn } from '@hilera/core/evaluation/overlaps'
import type { Finding, LookedAt } from '@hilera/core/findings/definition'
import { lookThrough } from '@hilera/core/findings/lookThrough'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { InstanceTable } from '@hilera/core/instances'
import { type Patch, patched } from '@hilera/core/model/patches'
import { type Project, emptyProject } from '@hilera/core/model/project'
import * as Comlink from 'comlink'
import { type CrowdUpdate, MOST_TOLD } from './messages'

const meshes = new Map<string, Mesh>()
let project: Project = emptyProject('')

/** Looks for what is wrong beside the work that the page waits for. Stopping it is ending the worker. */
const looking = {
  addMeshes(added: ReadonlyMap<string, Mesh>): void {
    for (const [key, mesh] of added) meshes.set(key, mesh)
  },

  load(document: Project): void {
    project = document
  },

  change(patches: readonly Patch[]): void {
    project = patched(project, patches) as Project
  },

  /**
   * The overlaps in some patterns, one after another.
   *
   * @param all of the project, as patterns repeat each other
   */
  async overlaps(
    all: readonly LookedAt[],
    ids: readonly string[],
    onFound: (update: CrowdUpdate) => void | Promise<void>,
  ): Promise<void> {
    const outcomes = revived(all)
    const { shapeOf } = thingsIn(project, meshes, outcomes)
    for (const { id, table } of outcomes) {
      if (!ids.includes(id)) continue
      const pattern = project.patterns.find((p) => p.id === id)!
      const overlaps = overlapsIn(pattern, table, shapeOf, { parts: project.parts, meshes })
      // What is found goes another way than the answer, which is not to come before it.
      await onFound({ id, count: overlaps.length, overlaps: overlaps.slice(0, MOST_TOLD) })
    }
  },

  /** Everything that is wrong with the arrangement, the worst first. */
  findings: (all: readonly LookedAt[]): Finding[] => lookThrough(project, meshes, revived(all)),
}

const revived = (all: readonly LookedAt[]): LookedAt[] =>
  all.map((outcome) => {
    const table = InstanceTable.revived(outcome.table)
    return {
      ...outcome,
      table,
      expanded: outcome.expanded === outcome.table ? table : InstanceTable.revived(outcome.expanded),
    }
  })

export type Looking = typeof looking

Comlink.expose(looking)
