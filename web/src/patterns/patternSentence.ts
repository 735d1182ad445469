import type { Pattern } from '@hilera/core/model/pattern'
import type { SentenceEdits } from '../sentences/edits'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/**
 * Edits of a pattern by one of its sentences.
 *
 * @param fits whether the pattern still has what the sentence is about
 * @param of what undo calls a change that has no name of its own
 */
export function usePatternSentence(
  pattern: () => Pattern,
  fits: (found: Pattern) => boolean,
  of: () => string = () => 'layout',
): SentenceEdits<Pattern> {
  const document = useDocument()
  const recipe =
    (edit: (pattern: Pattern) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === pattern().id)
      if (found && fits(found)) edit(found)
    }
  const name = (undo: string | undefined): string => `${undo ?? of()} of ${pattern().name}`
  return { recipe, name, change: (undo, edit) => document.change(name(undo), recipe(edit)) }
}
