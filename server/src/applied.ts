import { type Project, SCHEMA, readProject } from '@hilera/core/model/project'
import { type Patch, patched } from '@hilera/core/model/patches'
import { filesOfProject } from '@hilera/core/model/references'
import { type Result, done, refused } from '@hilera/core/words'
import { type CreateBody, MAX_DOCUMENT_BYTES, createBody } from './api'

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

/** A document of the present version as it is stored. */
export function writtenOf(project: Project): Written {
  const files = new Set(filesOfProject(project).map(({ file }) => file))
  return { name: project.name, document: JSON.stringify(project), parts: project.parts.length, files: [...files] }
}

/** A document that came in, checked whole, as it is stored. */
function writtenDocument(data: unknown): Result<Written> {
  const read = readProject(data)
  if (!read.ok) return read
  const written = writtenOf(read.value)
  // What is stored can be sent again, as a copy or in a file.
  if (Buffer.byteLength(written.document) > MAX_DOCUMENT_BYTES)
    return refused(
      `A project takes up to ${MAX_DOCUMENT_BYTES / 2 ** 20} MB, and this one would take more: take spots or touch-ups away.`,
    )
  return done(written)
}

/** What a new project starts from: a document that came in, or one that is here, by its name. */
export type Start =
  | { readonly from: 'document'; readonly written: Result<Written> }
  | { readonly from: Exclude<CreateBody['from'], 'document'> }

/** Reads what a new project is to start from; undefined where that is not said. */
export function readStart(text: string): Start | undefined {
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch {
    return undefined
  }
  const body = createBody.safeParse(data)
  if (!body.success) return undefined
  return body.data.from === 'document'
    ? { from: 'document', written: writtenDocument(body.data.document) }
    : { from: body.data.from }
}

/** A stored document with patches on it, checked whole, as it is stored. */
export function appliedPatches(text: string, patches: readonly Patch[]): Result<Written> {
  const before = storedDocument(text)
  if (!before.ok) return before
  const after = patched(before.value, patches)
  return after === undefined ? refused('The patches are not for this revision.') : writtenDocument(after)
}
