import type { FileUnit, Part } from '@hilera/core/model/part'
import type { Asks } from '../sentences/asking'
import { useDocument } from '../stores/document'
import { useImport } from './importFile'

/** The unit in which a part's file is read: it is read anew in another. */
export function useFileAsks(): Asks {
  const document = useDocument()
  const { setUnit } = useImport()
  return {
    'file unit': ({ value, edits }) => {
      let part: Part | undefined
      edits.recipe((root) => void (part = root))(document.project)
      if (part) setUnit(part, value as FileUnit)
    },
  }
}
