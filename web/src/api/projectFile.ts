import { MAX_PROJECT_FILE_BYTES, writeProjectFile } from '@hilera/core/projectFile/hilera'
import type { KeptState } from '@hilera/core/projectFile/kept'
import { filesOfProject } from '@hilera/core/model/references'
import type { Project } from '@hilera/core/model/project'
import { sentenceText } from '@hilera/core/numbers/format'
import { api } from './client'
import { download } from './download'
import { readAway } from '../worker/reading'

/** Opens a `.hilera` file as a new project on the server; says why when it cannot. Returns the project's id. */
export async function openProjectFile(file: File): Promise<string> {
  if (file.size > MAX_PROJECT_FILE_BYTES) {
    throw new Error(
      `${file.name} has ${Math.ceil(file.size / 2 ** 20)} MB; up to ${MAX_PROJECT_FILE_BYTES / 2 ** 20} MB can be opened.`,
    )
  }
  const bytes = new Uint8Array(await file.arrayBuffer())
  const read = await readAway(file.name, (to) => to.project(bytes, file.name))
  if (!read.ok) throw new Error(sentenceText(read.problem.says, 'mm'))
  for (const [sha256, bytes] of read.value.files) await api.putFile(sha256, bytes as Uint8Array<ArrayBuffer>)
  const { id } = await api.createProject({ from: 'document', document: read.value.project })
  for (const version of read.value.versions) await api.keepVersion(id, version)
  return id
}

/**
 * Downloads a project with everything it needs as one file.
 *
 * @param versionsOf the id of the project whose versions go along; none where it is absent
 */
export async function saveProjectFile(project: Project, versionsOf?: string): Promise<void> {
  const versions = versionsOf === undefined ? [] : await versionsToKeep(versionsOf)
  const files = new Map<string, Uint8Array>()
  for (const { file } of [project, ...versions.map(({ document }) => document)].flatMap(filesOfProject))
    if (!files.has(file)) files.set(file, await api.readFile(file))
  download(writeProjectFile(project, files, versions), `${fileNameOf(project.name)}.hilera`, 'application/zip')
}

/** The versions of a project as a file takes them along, the oldest first. */
async function versionsToKeep(id: string): Promise<KeptState[]> {
  const kept: KeptState[] = []
  for (const { id: version, note, byItself, createdAt, copies, picture } of (await api.listVersions(id)).toReversed()) {
    const { document } = await api.readVersion(id, version)
    const drawn = picture === undefined ? {} : { picture: await api.readPicture(picture) }
    kept.push({ note, byItself, createdAt, copies, document, ...drawn })
  }
  return kept
}

/** A name that every file system takes. */
export const fileNameOf = (name: string): string => name.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'arrangement'
