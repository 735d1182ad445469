import { strFromU8, strToU8 } from 'fflate'
import { z } from 'zod'
import { type Project, readProject } from '../model/project'
import { type Result, done, refused } from '../words'

/** A state of a project that was kept beside it. */
export interface KeptState {
  readonly note: string
  /** It was kept by itself, before something that changes much. */
  readonly byItself: boolean
  /** ISO 8601, UTC. */
  readonly createdAt: string
  readonly copies: number
  /** Its small picture as an address of data. */
  readonly picture?: string
  readonly document: Project
}

const LIST = 'versions.json'
const FOLDER = 'versions/'
/** So many of them a file may hold, and so many letters a picture may have. */
const MOST = 600
const MOST_LETTERS = 400_000

const list = z
  .array(
    z.object({
      note: z.string().max(200),
      byItself: z.boolean(),
      createdAt: z.iso.datetime(),
      copies: z.int().nonnegative(),
      picture: z.string().startsWith('data:image/').max(MOST_LETTERS).optional(),
      document: z.string().regex(/^versions\/\d+\.json$/),
    }),
  )
  .max(MOST)

/** Whether an entry of a project file is one of its versions, or their list. */
export const isKept = (entry: string): boolean => entry === LIST || entry.startsWith(FOLDER)

/** Versions as entries of a project file, the oldest first; a state that is kept more than once lies in it once. */
export function keptEntries(versions: readonly KeptState[]): Record<string, Uint8Array> {
  if (versions.length === 0) return {}
  const entries: Record<string, Uint8Array> = {}
  const names = new Map<string, string>()
  const told = versions.map(({ document, ...version }) => {
    const text = JSON.stringify(document)
    const name = names.get(text) ?? `${FOLDER}${names.size + 1}.json`
    if (!names.has(text)) entries[name] = strToU8(text)
    names.set(text, name)
    return { ...version, document: name }
  })
  return { [LIST]: strToU8(JSON.stringify(told)), ...entries }
}

/**
 * The versions that a project file holds; none where it holds no list of them.
 *
 * @param name the file's name, for the sentences
 */
export function readKept(entries: Readonly<Record<string, Uint8Array>>, name: string): Result<KeptState[]> {
  const told = entries[LIST]
  if (!told) return done([])
  const read = list.safeParse(parsed(told))
  if (!read.success) return refused(`${name} is damaged: the list of its versions cannot be read.`)
  const versions: KeptState[] = []
  for (const [i, { document, picture, ...version }] of read.data.entries()) {
    const content = entries[document]
    const made = content && readProject(parsed(content))
    if (!made?.ok) return refused(`${name} is damaged: its version `, { count: i + 1 }, ' cannot be read.')
    versions.push({ ...version, ...(picture !== undefined && { picture }), document: made.value })
  }
  return done(versions)
}

function parsed(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(strFromU8(bytes))
  } catch {
    return undefined
  }
}
