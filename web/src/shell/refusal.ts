import { sentenceText } from '@hilera/core/numbers/format'
import type { Sentence } from '@hilera/core/words'
import { useToast } from 'primevue/usetoast'
import { useDocument } from '../stores/document'

/** So long it can be read, in milliseconds. */
const LIFE = 12_000

/** Says at the edge of the screen what could not be done and why; nothing where there is no reason. */
export function useRefusal(summary = 'Not done'): (says: Sentence | string | undefined) => void {
  const document = useDocument()
  const toast = useToast()
  return (says) => {
    if (says === undefined) return
    const detail = typeof says === 'string' ? says : sentenceText(says, document.unit)
    toast.add({ severity: 'error', summary, detail, life: LIFE })
  }
}
