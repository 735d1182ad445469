import { patternsIn } from '@hilera/core/model/grouping'
import { projectAsText } from '@hilera/core/sentences/projectText'
import { formatNumber } from '@hilera/core/numbers/format'
import { plural } from '@hilera/core/words'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** What came of copying, to be told. */
export interface Copied {
  readonly ok: boolean
  readonly summary: string
  readonly detail: string
}

/** Patterns as text, to be pasted into a mail or back into an arrangement. */
export const useCopyText = defineStore('copyText', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const copied = shallowRef<Copied>()

  const textOf = (ids: readonly string[]): string => projectAsText(document.project, ids, outcomes.patterns)
  /** The patterns of which something is picked: the copies, or patterns and groups whole. */
  function picked(): string[] {
    const ids = [...selection.picks.keys()]
    if (ids.length > 0) return ids
    const { project } = document
    const whole = selection.wholes.flatMap((id) =>
      project.groups.some((g) => g.id === id) ? patternsIn(project, id) : [id],
    )
    return whole.length > 0 ? [...new Set(whole)] : selection.patternId ? [selection.patternId] : []
  }

  async function copy(ids: readonly string[]): Promise<void> {
    try {
      await navigator.clipboard.writeText(textOf(ids))
      const n = `${formatNumber(ids.length, 0)} ${plural(ids.length, 'pattern', 'patterns')}`
      copied.value = { ok: true, summary: `${n} copied as text`, detail: 'Paste it into a mail, or on the stage.' }
    } catch {
      copied.value = {
        ok: false,
        summary: 'Not copied',
        detail: 'The browser does not let this page write to the clipboard. Allow it, or use this on its own machine.',
      }
    }
  }
  return { textOf, picked, copy, copied }
})
