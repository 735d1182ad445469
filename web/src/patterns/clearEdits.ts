import { plainClear } from '@hilera/core/steps/clear/schema'
import type { Clear } from '@hilera/core/steps/clear/schema'
import type { Pattern } from '@hilera/core/model/pattern'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/** Edits of what keeps a pattern's copies clear of each other. */
export function useClearEdits() {
  const document = useDocument()
  const inPattern =
    (patternId: string, edit: (pattern: Pattern) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) edit(found)
    }
  const label = (pattern: Pattern): string => `clearing of ${pattern.name}`

  const add = (pattern: Pattern): void =>
    void document.change(
      `add ${label(pattern)}`,
      inPattern(
        pattern.id,
        (p) => void (p.clears = [...(p.clears ?? []), { ...structuredClone(plainClear), id: newId('clear') }]),
      ),
    )
  const remove = (pattern: Pattern, clear: Clear): void =>
    void document.change(
      `remove ${label(pattern)}`,
      inPattern(pattern.id, (p) => {
        p.clears = (p.clears ?? []).filter((c) => c.id !== clear.id)
        if (p.clears.length === 0) delete p.clears
      }),
    )
  const shift = (pattern: Pattern, clear: Clear, by: -1 | 1): void =>
    void document.change(
      `order of ${label(pattern)}`,
      inPattern(pattern.id, ({ clears = [] }) => {
        const at = clears.findIndex((c) => c.id === clear.id)
        if (at + by >= 0 && at + by < clears.length) clears.splice(at + by, 0, ...clears.splice(at, 1))
      }),
    )
  const recipe = (pattern: Pattern, id: string, edit: (clear: Clear) => void): Recipe =>
    inPattern(pattern.id, (p) => {
      const found = p.clears?.find((c) => c.id === id)
      if (found) edit(found)
    })
  return { add, remove, shift, recipe, label }
}
