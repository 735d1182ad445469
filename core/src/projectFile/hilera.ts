import { filesOfProject } from '../model/references'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { type Project, readProject } from '../model/project'
import { type KeptState, isKept, keptEntries, readKept } from './kept'
import { sha256Of } from '../sha256'
import { type Result, done, refused } from '../words'

/** The largest project file that is opened, in bytes, packed and unpacked. */
export const MAX_PROJECT_FILE_BYTES = 512 * 1024 * 1024
/** The largest document in one, unpacked. */
const MAX_DOCUMENT_BYTES = 64 * 1024 * 1024
/** What unpacks to more than so many times itself was made to, beyond a size that does no harm. */
const MOST_TIMES = 200
const SMALL = 64 * 1024 * 1024
const DOCUMENT = 'project.json'
const FILES = 'files/'

const tooLarge = (name: string, most: number, what = '') =>
  refused(
    `${what === '' ? name : `The ${what} of ${name}`} unpacks to more than `,
    { count: most / 2 ** 20 },
    ' MB, the most that can be opened.',
  )

export interface ProjectFile {
  readonly project: Project
  /** The files that the document and its versions name, by their SHA-256. */
  readonly files: ReadonlyMap<string, Uint8Array>
  /** The oldest first. */
  readonly versions: readonly KeptState[]
}

/**
 * Packs a project as one `.hilera` file: a zip of `project.json` and each file that it names under `files/<sha256>`; its versions, the
 * oldest first, are told in `versions.json` and lie under `versions/`.
 *
 * @param files those that the project and its versions name
 */
export function writeProjectFile(
  project: Project,
  files: ReadonlyMap<string, Uint8Array>,
  versions: readonly KeptState[] = [],
): Uint8Array {
  const entries: Record<string, Uint8Array> = {
    [DOCUMENT]: strToU8(JSON.stringify(project)),
    ...keptEntries(versions),
  }
  for (const [sha256, bytes] of files) entries[FILES + sha256] = bytes
  // A fixed date, so that one project always makes one file.
  return zipSync(entries, { level: 6, mtime: new Date('2020-01-01T00:00:00Z') })
}

/**
 * Reads a `.hilera` file of this or an older version; a newer one is refused. Every file is checked against its hash.
 *
 * @param name the file's name, for the sentences
 */
export async function readProjectFile(bytes: Uint8Array, name: string): Promise<Result<ProjectFile>> {
  if (bytes.length === 0) return refused(`${name} is empty. Choose a .hilera file.`)
  const isOurs = (entry: string): boolean => entry === DOCUMENT || entry.startsWith(FILES) || isKept(entry)
  const unread = refused(`${name} is not a .hilera file, or it is cut off. Download or copy it again.`)
  const [packed, total] = [new Map<string, number>(), new Map<string, number>()]
  let entries: Record<string, Uint8Array>
  try {
    // First the directory alone: nothing is unpacked of what would be too much.
    unzipSync(bytes, {
      filter: ({ name: entry, size, originalSize }) => {
        if (!isOurs(entry)) return false
        packed.set(entry, (packed.get(entry) ?? 0) + size)
        total.set(entry, (total.get(entry) ?? 0) + originalSize)
        return false
      },
    })
    const sum = (sizes: ReadonlyMap<string, number>): number => [...sizes.values()].reduce((n, size) => n + size, 0)
    // One stream under many names would unpack again for each.
    if (sum(packed) > bytes.length) return unread
    if (sum(total) > MAX_PROJECT_FILE_BYTES || sum(total) > Math.max(MOST_TIMES * bytes.length, SMALL))
      return tooLarge(name, MAX_PROJECT_FILE_BYTES)
    for (const [entry, size] of total)
      if (!entry.startsWith(FILES) && size > MAX_DOCUMENT_BYTES) return tooLarge(name, MAX_DOCUMENT_BYTES, entry)
    entries = unzipSync(bytes, { filter: ({ name: entry }) => isOurs(entry) })
  } catch {
    return unread
  }
  const document = entries[DOCUMENT]
  if (!document) return refused(`${name} holds no ${DOCUMENT}: it is not a .hilera file.`)
  let data: unknown
  try {
    data = JSON.parse(strFromU8(document))
  } catch {
    return refused(`${name} is damaged: its ${DOCUMENT} cannot be read.`)
  }
  const project = readProject(data)
  if (!project.ok) return refused(`${name} did not open. `, ...project.problem.says)
  const versions = readKept(entries, name)
  if (!versions.ok) return versions
  const files = new Map<string, Uint8Array>()
  const named = [project.value, ...versions.value.map(({ document }) => document)].flatMap(filesOfProject)
  for (const { file, what, name: owner } of named) {
    if (files.has(file)) continue
    const content = entries[FILES + file]
    if (!content) return refused(`${name} lacks the ${what} of ${owner}. Download it again from where it was made.`)
    if ((await sha256Of(content)) !== file)
      return refused(`${name} is damaged: the ${what} of ${owner} is not what it was saved as.`)
    files.set(file, content)
  }
  return done({ project: project.value, files, versions: versions.value })
}
