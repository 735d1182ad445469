import type { Pattern, TouchUp } from '@hilera/core/model/pattern'
import { touchUpCopy } from '@hilera/core/patternEdits'
import { computed } from 'vue'
import type { SentenceEdits } from '../sentences/edits'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useSelection } from '../stores/selection'

/** Edits of the one copy that is picked: its touch-up. */
export function useCopyEdits() {
  const document = useDocument()
  const selection = useSelection()

  /** Row of the picked copy in its table; undefined while its slot is not there. */
  const row = computed(() => {
    const { outcome, slot } = selection
    if (!outcome || slot === undefined) return undefined
    const found = outcome.table.rowOf(slot)
    return found < 0 ? undefined : found
  })
  const touchUp = computed<TouchUp>(
    () => (selection.slot !== undefined && selection.pattern?.touchUps[selection.slot]) || {},
  )

  const recipe =
    (change: (now: TouchUp) => TouchUp): Recipe =>
    (project) => {
      const found = project.patterns.find((p: Pattern) => p.id === selection.patternId)
      if (found && selection.slot !== undefined)
        touchUpCopy(found, selection.slot, change(found.touchUps[selection.slot] ?? {}))
    }

  const label = (what: string): string => `${what} of copy ${(row.value ?? 0) + 1} in ${selection.pattern?.name ?? ''}`

  /** Of the sentence that tells of it. */
  const sentence: SentenceEdits<TouchUp> = {
    recipe: (edit) =>
      recipe((now) => {
        const next = { ...now }
        edit(next)
        return next
      }),
    name: (undo) => label(undo ?? ''),
    change: (undo, edit) => document.change(label(undo ?? ''), sentence.recipe(edit)),
  }

  function setEmpty(empty: boolean): void {
    document.change(
      empty ? label('empty the place') : label('fill the place'),
      recipe(() => ({ empty: empty || undefined })),
    )
  }

  /** Whether it stays where it is while others are cleared. */
  function setHeld(held: boolean): void {
    document.change(
      held ? label('hold') : label('let go'),
      recipe(() => ({ held: held || undefined })),
    )
  }

  /** Whether it stays where it is while others settle. */
  function setUnsettled(unsettled: boolean): void {
    document.change(
      unsettled ? label('leave unsettled') : label('settle'),
      recipe(() => ({ unsettled: unsettled || undefined })),
    )
  }

  function reset(slots?: readonly string[]): void {
    const keys = slots ?? (selection.slot === undefined ? [] : [selection.slot])
    document.change(`take touch-ups off ${selection.pattern?.name ?? ''}`, (project) => {
      const found = project.patterns.find((p: Pattern) => p.id === selection.patternId)
      if (found) for (const key of keys) delete found.touchUps[key]
    })
  }

  return { row, touchUp, sentence, recipe, label, setEmpty, setHeld, setUnsettled, reset }
}
