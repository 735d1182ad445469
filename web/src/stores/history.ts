import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer'
import type { Project } from '@hilera/core/model/project'

enablePatches()

export type Recipe = (project: Project) => void

export interface Change {
  /** What was done, as undo names it: "gap of Shelf tins". */
  readonly label: string
  readonly patches: Patch[]
  readonly inverse: Patch[]
}

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
