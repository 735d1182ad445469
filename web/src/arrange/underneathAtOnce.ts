import { watch } from 'vue'
import type { Underneath } from '../stage/underneath'
import type { Viewer } from '../stage/viewer'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'

/**
 * What lies under the arrangement, as the document has it now: whoever edits a ground sees it at once, and the copies that rest on it
 * follow as soon as they are worked out.
 *
 * @param on what it is shown on, as far as it is there
 * @returns shows it
 */
export function useUnderneathAtOnce(
  on: () => {
    readonly viewer: Pick<Viewer, 'shadowsChanged'> | undefined
    readonly underneath: Pick<Underneath, 'show' | 'face'> | undefined
  },
): () => void {
  const document = useDocument()
  const outcomes = useOutcomes()
  const view = useView()
  function show(): void {
    const { underneath } = on()
    underneath?.show(document.project, outcomes.source)
    underneath?.face(view.view)
  }
  watch([() => document.project.grounds, () => document.project.plans], () => {
    show()
    on().viewer?.shadowsChanged()
  })
  return show
}
