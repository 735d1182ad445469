import type { LookedAt } from '@hilera/core/findings/definition'
import type { Mesh } from '@hilera/core/geometry/mesh'
import { patchesBetween } from '@hilera/core/model/patches'
import type { Project } from '@hilera/core/model/project'
import type { Remote } from 'comlink'
import { WorkerClient, WorkerEnded } from './client'
import type { Looking } from './look.worker'
import type { PatternUpdate } from './messages'

let sent = new Set<string>()
/** The document as the worker has it. */
let known: Project | undefined
const client = new WorkerClient<Looking>(
  () => new Worker(new URL('./look.worker.ts', import.meta.url), { type: 'module' }),
  () => {
    sent = new Set()
    known = undefined
  },
)

/**
 * Has something looked for in a document in the background, with the meshes that are not there yet and what has changed in it since.
 *
 * @returns undefined where it was stopped meanwhile
 */
export async function lookWith<R>(
  project: Project,
  meshes: ReadonlyMap<string, Mesh>,
  question: (to: Remote<Looking>) => Promise<R>,
): Promise<R | undefined> {
  try {
    return await client.ask(async (to) => {
      const added = [...meshes].filter(([key]) => !sent.has(key))
      await to.addMeshes(new Map(added))
      for (const [key] of added) sent.add(key)
      // What is asked at the same time goes on from here: questions come there in their order.
      const before = known
      known = project
      await (before ? to.change(patchesBetween(before, project)) : to.load(project))
      return question(to)
    })
  } catch (fault) {
    if (!(fault instanceof WorkerEnded)) throw fault
    return undefined
  }
}

/** What has changed meanwhile is not worth finishing. */
export const stopLooking = (): void => client.stop()

/** Of patterns as the page has them, what is looked at. */
export const lookedAt = (updates: readonly PatternUpdate[]): LookedAt[] =>
  updates.map(({ id, table, expanded, owner, frames, astray }) => ({
    id,
    table,
    expanded,
    frames,
    astray,
    ...(owner && { owner }),
  }))
