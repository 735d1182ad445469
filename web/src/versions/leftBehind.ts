import { plural } from '@hilera/core/words'
import { onScopeDispose } from 'vue'
import { api } from '../api/client'
import { useDocument } from '../stores/document'

/**
 * Keeps what is left behind: who goes on from an earlier step finds the steps that were undone as a version. Where the server cannot be
 * reached they are gone, as they would be with the page.
 */
export function useLeftBehind(): void {
  const document = useDocument()
  const stop = document.onLeft((left, steps) => {
    const note = `${steps} ${plural(steps, 'step that was', 'steps that were')} undone`
    void api.keepVersion(document.id, { note, byItself: true, document: left }).catch(() => undefined)
  })
  onScopeDispose(stop)
}
