import type { Part } from '@hilera/core/model/part'
import type { SentenceEdits } from '../sentences/edits'
import { useDocument } from '../stores/document'
import { usePartEdits } from './partEdits'

/**
 * Edits of a part by one of its sentences.
 *
 * @param fits whether the part still is what the sentence is about
 * @param of what undo calls a change that has no name of its own
 */
export function usePartSentence(
  part: () => Part,
  fits: (found: Part) => boolean = () => true,
  of: () => string = () => 'shape',
): SentenceEdits<Part> {
  const document = useDocument()
  const edits = usePartEdits()
  const recipe = (edit: (found: Part) => void) =>
    edits.recipe(part().id, (found) => {
      if (fits(found)) edit(found)
    })
  const name = (undo: string | undefined): string => `${undo ?? of()} of ${part().name}`
  return { recipe, name, change: (undo, edit) => document.change(name(undo), recipe(edit)) }
}
