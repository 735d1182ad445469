import { type Project, SCHEMA, readProject } from '@hilera/core/model/project'
import { type Patch, patched } from '@hilera/core/model/patches'
import { filesOfProject } from '@hilera/core/model/references'
import { type Result, done, refused } from '@hilera/core/words'
import { MAX_DOCUMENT_BYTES } from './api'

/** A document as it is stored: its text, what of it has a column of its own, and the files that it names. */
export interface Written {
  readonly name: string
  readonly document: string
  readonly parts: number
  readonly files: readonly string[]
}

/** Whether a stored document is of the present version, told from its first letters. */
export const isOfPresent = (text: string): boolean => text.startsWith(`{"schema":${SCHEMA},`)

/** A stored document, brought up to the present version. One of the present version was checked when it was stored. */
export function storedDocument(text: string): Result<Project> {
  const data = JSON.parse(text) as { readonly schema?: unknown }
  return data.schema === SCHEMA ? done(data as Project) : readProject(data)
}

/** A document that came in, checked whole, as it is stored. */
export function writtenDocument(data: unknown): Result<Written> {
  const read = readProject(data)
  if (!read.ok) return read
  const files = new Set(filesOfProject(read.value).map(({ file }) => file))
  const { name, parts } = read.value
  const document = JSON.stringify(read.value)
  // What is stored can be sent again, as a copy or in a file.
  if (Buffer.byteLength(document) > MAX_DOCUMENT_BYTES)
    return refused(
      `A project takes up to ${MAX_DOCUMENT_BYTES / 2 ** 20} MB, and this one would take more: take spots or touch-ups away.`,
    )
  return done({ name, document, parts: parts.length, files: [...files] })
}

/** A stored document with patches on it, checked whole, as it is stored. */
export function appliedPatches(text: string, patches: readonly Patch[]): Result<Written> {
  const before = storedDocument(text)
  if (!before.ok) return before
  const after = patched(before.value, patches)
  return after === undefined ? refused('The patches are not for this revision.') : writtenDocument(after)
}
