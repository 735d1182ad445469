import {
  type Shareable,
  giveMovementToGroup,
  giveStepToGroup,
  partShared,
  sharersOf,
  sharingGroup,
  spreadShared,
  takersOf,
} from '@hilera/core/links/shared'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Group } from '@hilera/core/model/project'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/** A change of a pattern's steps or movements, made in all that have them together as well. */
export const spread =
  ({ id }: Pattern, recipe: Recipe): Recipe =>
  (project) => {
    recipe(project)
    spreadShared(project, id)
  }

/** With whom a pattern has a step or a movement together. */
export interface SharedBy {
  readonly group: Group
  /** How many patterns have it. */
  readonly count: number
  /** How many came into the group later, and do not have it. */
  readonly without: number
}

/** What patterns of a group have together, and how they come to have each its own. */
export function useShared() {
  const document = useDocument()

  function sharedBy(pattern: Pattern, id: string, of: Shareable): SharedBy | undefined {
    const { project } = document
    const group = sharingGroup(project, pattern.id, id, of)
    if (!group) return undefined
    const sharers = sharersOf(project, pattern.id, id, of)
    const without = takersOf(project, group.id).filter((p) => !sharers.includes(p)).length
    return { group, count: sharers.length, without }
  }
  /** Lets each have it on its own. */
  const part = (pattern: Pattern, id: string, of: Shareable, name: string): void =>
    void document.change(`each its own ${name} of ${pattern.name}`, (project) =>
      partShared(project, pattern.id, id, of),
    )
  /** Gives it to those of the group that do not have it. */
  function giveToRest(pattern: Pattern, id: string, of: Shareable, name: string): void {
    const group = sharingGroup(document.project, pattern.id, id, of)
    if (!group) return
    document.change(`${name} of all of ${group.name}`, (project) => {
      const own = project.patterns.find((p) => p.id === pattern.id)
      const step = own?.steps.find((s) => s.id === id)
      const movement = own?.motion?.find((m) => m.id === id)
      if (of === 'steps' && step) giveStepToGroup(project, group.id, step)
      if (of === 'motion' && movement) giveMovementToGroup(project, group.id, movement)
    })
  }

  return { sharedBy, part, giveToRest }
}
