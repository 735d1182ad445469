import type { Pattern } from '@hilera/core/model/pattern'
import { type Movement, type MovementKind, movementDefinitionOf } from '@hilera/core/motion/index'
import { knowledge } from '@hilera/core/sentences/knowledge'
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

  function add(pattern: Pattern, kind: MovementKind): void {
    const copies = outcomes.byId.get(pattern.id)?.table.presentCount() ?? 0
    const { project } = document
    const numbers = knowledge.numbersOf(pattern, { knows: knowledge, project, unit: project.unit })
    const made = movementDefinitionOf({ kind }).begin(newId('movement'), copies, project.clock.length, pattern, numbers)
    void document.change(
      `${nameOfMovement(made)} of ${pattern.name}`,
      inMotion(pattern.id, (motion) => void motion.push(made)),
    )
  }
  function remove(pattern: Pattern, movement: Movement): void {
    void document.change(
      `remove ${nameOfMovement(movement)} of ${pattern.name}`,
      inMotion(
        pattern.id,
        (motion) =>
          void motion.splice(
            motion.findIndex((m) => m.id === movement.id),
            1,
          ),
      ),
    )
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
  /** An edit of one movement in the document. */
  const recipe =
    (patternId: string, id: string, edit: (movement: Movement) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)?.motion?.find((m) => m.id === id)
      if (found) edit(found)
    }

  return { add, remove, shift, recipe }
}
