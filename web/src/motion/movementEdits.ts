import { giveMovementToGroup, partShared, sharersOf, takersOf } from '@hilera/core/links/shared'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Group } from '@hilera/core/model/project'
import { type Movement, type MovementKind, movementDefinitionOf } from '@hilera/core/motion/index'
import { knowledge } from '@hilera/core/sentences/knowledge'
import { spread } from '../groups/shared'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'

/** How a movement is called in labels of undo and of tools. */
export const nameOfMovement = (movement: { readonly kind: MovementKind }): string =>
  movementDefinitionOf(movement).words.toLowerCase()

/** Edits of how a pattern moves. */
export function useMovementEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()

  const inMotion =
    (patternId: string, edit: (motion: Movement[]) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (!found) return
      const motion = [...(found.motion ?? [])] as Movement[]
      edit(motion)
      if (motion.length > 0) found.motion = motion
      else delete found.motion
    }

  const copiesOf = ({ id }: Pattern): number => outcomes.byId.get(id)?.table.presentCount() ?? 0

  function add(pattern: Pattern, kind: MovementKind): void {
    const { project } = document
    const numbers = knowledge.numbersOf(pattern, { knows: knowledge, project, unit: project.unit })
    const made = movementDefinitionOf({ kind }).begin(
      newId('movement'),
      copiesOf(pattern),
      project.clock.length,
      pattern,
      numbers,
    )
    void document.change(
      `${nameOfMovement(made)} of ${pattern.name}`,
      inMotion(pattern.id, (motion) => void motion.push(made)),
    )
  }
  /** Gives one movement to all patterns of a group: their copies come in one row, and it stays one, wherever it is changed. */
  function addToAll(group: Group, kind: MovementKind): void {
    const { project } = document
    const copies = takersOf(project, group.id).reduce((sum, p) => sum + (p.hidden ? 0 : copiesOf(p)), 0)
    const made = movementDefinitionOf({ kind }).begin(newId('movement'), copies, project.clock.length)
    void document.change(`${nameOfMovement(made)} of all of ${group.name}`, (doc) =>
      giveMovementToGroup(doc, group.id, made),
    )
  }
  /** Takes it away, from all that have it together. */
  function remove(pattern: Pattern, { id, ...movement }: Movement): void {
    void document.change(`remove ${nameOfMovement(movement)} of ${pattern.name}`, (project) => {
      for (const found of sharersOf(project, pattern.id, id, 'motion'))
        inMotion(
          found.id,
          (motion) =>
            void motion.splice(
              motion.findIndex((m) => m.id === id),
              1,
            ),
        )(project)
      partShared(project, pattern.id, id, 'motion')
    })
  }
  /** Moves one place earlier (−1) or later (1). */
  function shift(pattern: Pattern, movement: Movement, by: -1 | 1): void {
    void document.change(
      `order of ${nameOfMovement(movement)} of ${pattern.name}`,
      inMotion(pattern.id, (motion) => {
        const at = motion.findIndex((m) => m.id === movement.id)
        if (!motion[at + by]) return
        ;[motion[at], motion[at + by]] = [motion[at + by], motion[at]]
      }),
    )
  }
  /** An edit of one movement in the document, in all that have it together. */
  const recipe = (pattern: Pattern, id: string, edit: (movement: Movement) => void): Recipe =>
    spread(pattern, (project) => {
      const found = project.patterns.find((p) => p.id === pattern.id)?.motion?.find((m) => m.id === id)
      if (found) edit(found)
    })

  return { add, addToAll, remove, shift, recipe }
}
