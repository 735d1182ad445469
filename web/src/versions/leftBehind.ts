import { plural } from '@hilera/core/words'
import { onScopeDispose } from 'vue'
import { useDocument } from '../stores/document'
import { keepByItself } from './keepByItself'

/**
 * Keeps what is left behind: who goes on from an earlier step finds the steps that were undone as a version. Where the server cannot be
 * reached they are gone, as they would be with the page.
 */
export function useLeftBehind(): void {
  const document = useDocument()
  const stop = document.onLeft((left, steps) => {
    const note = `${steps} ${plural(steps, 'step that was', 'steps that were')} undone`
    void keepByItself(document.id, { note, document: left })
  })
  onScopeDispose(stop)
}
