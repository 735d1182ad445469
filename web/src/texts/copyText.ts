import { projectAsText } from '@hilera/core/sentences/projectText'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { useToast } from 'primevue/usetoast'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Patterns as text, to be pasted into a mail or back into an arrangement. */
export function useCopyText() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const toast = useToast()

  const textOf = (ids: readonly string[]): string =>
    projectAsText(document.project, ids, new Map(outcomes.patterns.map(({ id, laid }) => [id, laid])))
  /** The patterns of which something is picked: the copies, or the pattern itself. */
  function picked(): string[] {
    const ids = [...selection.picks.keys()]
    return ids.length > 0 ? ids : selection.patternId ? [selection.patternId] : []
  }

  async function copy(ids: readonly string[]): Promise<void> {
    try {
      await navigator.clipboard.writeText(textOf(ids))
      const n = `${formatNumber(ids.length, 0)} ${plural(ids.length, 'pattern', 'patterns')}`
      toast.add({
        severity: 'success',
        summary: `${n} copied as text`,
        detail: 'Paste it into a mail, or on the stage.',
        life: 4000,
      })
    } catch {
      toast.add({
        severity: 'error',
        summary: 'Not copied',
        detail: 'The browser does not let this page write to the clipboard. Allow it, or use this on its own machine.',
        life: 8000,
      })
    }
  }
  return { textOf, picked, copy }
}
