import { touchUpCopy } from '@hilera/core/patternEdits'
import { useDocument } from '../stores/document'
import { useSelection } from '../stores/selection'

/** Edits of all picked copies at once. */
export function useCopiesEdits() {
  const document = useDocument()
  const selection = useSelection()

  function setEmpty(empty: boolean): void {
    const { picks } = selection
    document.change(empty ? 'empty places' : 'fill places', (project) => {
      for (const [id, keys] of picks) {
        const pattern = project.patterns.find((p) => p.id === id)
        if (pattern) for (const key of keys) touchUpCopy(pattern, key, { empty: empty || undefined })
      }
    })
  }

  return { setEmpty }
}
