import type { FileUnit } from '../model/part'
import type { Result } from '../words'
import type { ReadMesh } from './readMesh'
import type { Scene } from './scene'

/**
 * Everything that is known of one format of mesh files that come in. A new one is a file with one of these and a line in the
 * registry. A reader is bounded: its work and its memory by the bytes that are there and by stated limits; every field is
 * checked before it is used; it goes down no deeper than a stack of its own allows; and what comes of it is finite. What it
 * cannot take it refuses with a sentence.
 */
export interface ReaderDefinition {
  /** As a sentence names it, with its article: a GLB, an OBJ. */
  readonly words: string
  readonly article: 'a' | 'an'
  /** The endings of its files, without the dot. */
  readonly endings: readonly string[]
  /**
   * @param name the file's name, for the sentences
   * @param unit what 1 in the file stands for; left out, the file tells, or it is told from the size
   */
  read(bytes: Uint8Array, name: string, unit?: FileUnit): Result<ReadMesh> | Promise<Result<ReadMesh>>
  /** Reads it as several things that stand somewhere, for formats that can hold them. */
  readScene?(bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<Scene>>
}
