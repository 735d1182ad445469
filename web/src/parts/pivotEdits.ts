import type { Part, PartFrame } from '@hilera/core/model/part'
import type { Problem } from '@hilera/core/words'
import { useLocalStorage } from '@vueuse/core'
import type { Changing } from '../sentences/edits'
import { useDocument } from '../stores/document'
import { change, type Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'

/** Whether copies stay where they are while their part's pivot is moved, or follow it; remembered, and said beside it. */
export const copiesStay = useLocalStorage('hilera.pivot.stay', true)

/**
 * Moves the pivot of a part, with what is placed staying where it is or following.
 *
 * @param refused told why a pivot that was dragged cannot be there, once it is let go
 */
export function usePivotEdits(part: () => Part, refused?: (problem: Problem) => void) {
  const document = useDocument()
  const outcomes = useOutcomes()

  async function move(label: string, frame: PartFrame | undefined): Promise<Problem | undefined> {
    const { id } = part()
    const made = await outcomes.withPivot(id, frame)
    if (!made.ok) return made.problem
    return document.change(label, (project) => {
      project.parts = made.value.parts
      project.patterns = made.value.patterns
      project.grounds = made.value.grounds
    })
  }
  const frameOf = (recipe: Recipe): PartFrame | undefined =>
    change(document.project, '', recipe)?.project.parts.find((p) => p.id === part().id)?.frame

  /** Takes edits of the pivot. While it is dragged the copies are seen to follow; where they are to stay, they do once it is let go. */
  const changing: Changing = {
    change: (label, recipe) => (copiesStay.value ? move(label, frameOf(recipe)) : document.change(label, recipe)),
    begin(label) {
      const gesture = document.begin(label)
      let latest: PartFrame | undefined
      let isMoved = false
      return {
        update(recipe) {
          isMoved = true
          const came = gesture.update(recipe)
          latest = part().frame
          return came
        },
        commit() {
          if (!copiesStay.value) return gesture.commit()
          gesture.cancel()
          if (isMoved) void move(label, latest).then((problem) => problem && refused?.(problem))
        },
        cancel: () => gesture.cancel(),
      }
    },
  }
  return { changing }
}
