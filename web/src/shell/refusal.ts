import { sentenceText } from '@hilera/core/numbers/format'
import type { Sentence } from '@hilera/core/words'
import { useDocument } from '../stores/document'
import { useToldRefusal } from './toldRefusal'

/** Says at the edge of the screen what could not be done and why, in the document's unit; nothing where there is no reason. */
export function useRefusal(summary?: string): (says: Sentence | string | undefined) => void {
  const document = useDocument()
  const tell = useToldRefusal(summary)
  return (says) => tell(typeof says === 'object' ? sentenceText(says, document.unit) : says)
}
