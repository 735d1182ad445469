import { sentenceText } from '@hilera/core/numbers/format'
import type { Table } from '@hilera/core/readers/spotTable'
import { useFileDialog } from '@vueuse/core'
import { useRefusal } from '../shell/refusal'
import { useDocument } from '../stores/document'
import { readAway } from './reading'

const MAX_BYTES = 64 * 1024 * 1024

/**
 * Asks for a file with a table and reads it away from the page; what cannot be read, or not be used, is told.
 *
 * @param use takes the table, or says why it cannot
 * @returns asks for the file
 */
export function useTableFile(use: (table: Table, fileName: string) => string | undefined): () => void {
  const document = useDocument()
  const refuse = useRefusal('Not read')
  const { open, onChange } = useFileDialog({ accept: '.csv,.tsv,.txt,.json', multiple: false, reset: true })

  async function read(file: File): Promise<string | undefined> {
    if (file.size > MAX_BYTES) return `${file.name} is larger than 64 MB. Choose a smaller table.`
    const text = await file.text()
    const table = await readAway(file.name, (to) => to.table(text, file.name))
    return table.ok ? use(table.value, file.name) : sentenceText(table.problem.says, document.unit)
  }

  onChange(async (files) => {
    if (files?.[0]) refuse(await read(files[0]))
  })
  return () => open()
}
