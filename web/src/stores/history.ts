import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer'
import type { Project } from '@hilera/core/model/project'
import { removed } from '@hilera/core/model/references'

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

/** Runs a recipe on a document; nothing when it changed nothing. */
export function change(
  project: Project,
  label: string,
  recipe: Recipe,
): { project: Project; change: Change } | undefined {
  const [next, patches, inverse] = produceWithPatches(project, (draft: Project) => void recipe(draft))
  return patches.length === 0 ? undefined : { project: next, change: { label, patches, inverse } }
}

export const redo = (project: Project, { patches }: Change): Project => applyPatches(project, patches)
export const undo = (project: Project, { inverse }: Change): Project => applyPatches(project, inverse)
