import type { FileUnit } from '../model/part'
import { type Result, refused } from '../words'
import type { ReaderDefinition } from './definition'
import { MAX_PART_FILE_BYTES, type ReadMesh } from './readMesh'
import { readers } from './registry'

/** The reader of a mesh file by the ending of its name; undefined for kinds that are not read. */
export function readerFor(name: string): ReaderDefinition | undefined {
  const ending = /\.([a-z0-9]+)$/i.exec(name)?.[1].toLowerCase()
  return ending === undefined ? undefined : readers.find((reader) => reader.endings.includes(ending))
}

/** The endings of all mesh files that are read, with their dots. */
export const partFileEndings = (): string[] => readers.flatMap(({ endings }) => endings.map((e) => `.${e}`))

const listed = (words: readonly string[]): string => `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`

/** Why a file of another kind is not read, and what is. */
export const notReadHere = (name: string): string =>
  `${name} is not a kind of file that is read here. Choose ${readers[0].article} ${listed(readers.map((r) => r.words))}.`

/**
 * Reads a mesh file of any kind as one part. A GLB keeps its metres; the other kinds carry no unit.
 *
 * @param unit what 1 in the file stands for; left out, metres for glTF and told from the size for the others
 */
export async function readPartFile(bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> {
  const reader = readerFor(name)
  if (!reader) return refused(notReadHere(name))
  if (bytes.length === 0)
    return refused(`${name} is empty. Choose ${reader.article} ${reader.words} file with a mesh in it.`)
  if (bytes.length > MAX_PART_FILE_BYTES) {
    return refused(
      `${name} has `,
      { count: Math.ceil(bytes.length / 2 ** 20) },
      ' MB; up to ',
      { count: MAX_PART_FILE_BYTES / 2 ** 20 },
      ' MB can be read. Reduce it first.',
    )
  }
  return reader.read(bytes, name, unit)
}
