import type { LayoutKind, LayoutOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { editOf } from './index'

/** Edits of one pattern's layout of a known kind, shared by its sentence, its strip and its pins. */
export function useLayoutEdits<K extends LayoutKind>(kind: K, pattern: () => Pattern) {
  const document = useDocument()

  const recipe =
    (edit: (layout: LayoutOf<K>) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === pattern().id)
      if (found) editOf(kind, edit)(found.layout)
    }

  const name = (what: string): string => `${what} of ${pattern().name}`
  const change = (what: string, edit: (layout: LayoutOf<K>) => void) => document.change(name(what), recipe(edit))

  return { recipe, name, change }
}
