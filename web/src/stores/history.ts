import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer'
import type { Project } from '@hilera/core/model/project'
import { removed } from '@hilera/core/model/references'
import { withSplices } from './splices'

enablePatches()

export type Recipe = (project: Project) => void

export interface Change {
  /** What was done, as undo names it: "gap of Shelf tins". */
  readonly label: string
  readonly patches: Patch[]
  readonly inverse: Patch[]
}

/** Takes things out of the document, and every mention of them. Nobody may rest on them. */
export const removal =
  (...ids: string[]): Recipe =>
  (project) =>
    void Object.assign(project, removed(project, new Set(ids)))

/** What goes along with a change: what is still to be done to a document that was another before; nothing where all is done. */
export type GoesAlong = (project: Project, before: Project) => Recipe | undefined

/** So many rounds what goes along may take: a part that follows another is followed in turn. */
const MOST_ROUNDS = 16

/** Runs a recipe on a document, and what goes along with it, as one step; nothing when it changed nothing. */
export function change(
  project: Project,
  label: string,
  recipe: Recipe,
  goesAlong: GoesAlong = () => undefined,
): { project: Project; change: Change } | undefined {
  let [next, patches, inverse] = produced(project, recipe)
  if (patches.length === 0) return undefined
  let before = project
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const along = goesAlong(next, before)
    if (!along) break
    const [after, more, back] = produced(next, along)
    before = next
    ;[next, patches, inverse] = [after, [...patches, ...more], [...back, ...inverse]]
  }
  return { project: next, change: { label, patches, inverse } }
}

function produced(project: Project, recipe: Recipe): [Project, Patch[], Patch[]] {
  const [next, patches, inverse] = produceWithPatches(project, (draft: Project) => void recipe(draft))
  return [next, withSplices(patches, project, next), withSplices(inverse, next, project)]
}

export const redo = (project: Project, { patches }: Change): Project => applyPatches(project, patches)
export const undo = (project: Project, { inverse }: Change): Project => applyPatches(project, inverse)
