import type { Facts, Result, Sentence } from '../words'
import type { WorkedScene } from './scene'

/** What goes into a file, and what is left out of it. */
export interface Forecast {
  readonly copies: number
  readonly meshes: number
  /** Triangles as they are drawn, every copy counted. */
  readonly triangles: number
  /** What the file will take, about. */
  readonly bytes: number
  readonly emptyPlaces: number
  /** Copies that stand across a mirror instead of where their pattern placed them. */
  readonly movedAcross: number
  /** Copies that were left out so that others are clear. */
  readonly leftOut: number
  /** Copies that stand in their part's mirror image. */
  readonly twins: number
  readonly hiddenPatterns: number
  readonly hiddenCopies: number
  /** Copies of placeholders, which are never written. */
  readonly placeholders: number
  readonly lights: number
}

/** What a judge that is not ours says of a file. */
export interface Verdict {
  readonly judge: string
  readonly errors: number
  readonly warnings: number
  /** What the judge does not look into, and is checked here. */
  readonly besides?: string
  /** One line for each thing that it names. */
  readonly says: readonly string[]
}

export interface Written {
  readonly bytes: Uint8Array
  readonly report: Forecast
  /** What is to be known of how it was written. */
  readonly told: Facts
}

/** A choice of how a file is written, in words. */
export interface WriterChoice {
  /** The field of the options that it sets. */
  readonly key: string
  /** How it reads before its value: "its copies". */
  readonly before: string
  readonly label: string
  readonly values: readonly { readonly value: string; readonly words: string; readonly note?: string }[]
  /** Whether there is anything to choose in a scene. */
  matters?(scene: WorkedScene): boolean
}

export type WriterOptions = Readonly<Record<string, string>>

/**
 * Everything that is known of one format of files that go out. A new one is a folder with one of these and a line in the
 * registry.
 */
export interface WriterDefinition {
  /** The ending of its files, without the dot. */
  readonly ending: string
  readonly mime: string
  /** As a sentence names it: "binary glTF 2.0". */
  readonly words: string
  readonly choices: readonly WriterChoice[]
  /** What is chosen where nothing is said, by how much there is to write. */
  usual(copies: number): WriterOptions
  /** Why something else than ever is usual for so many copies. */
  advice?(copies: number): Sentence | undefined
  /** What a file would hold, counted without writing it; refused where there is nothing or too much to write. */
  forecast(scene: WorkedScene, options: WriterOptions): Result<Forecast>
  /** What of a scene the format cannot hold, in words. */
  cannotHold(scene: WorkedScene): readonly string[]
  /** @param onProgress called with the share done, from 0 to 1 */
  write(scene: WorkedScene, options: WriterOptions, onProgress?: (share: number) => void): Promise<Result<Written>>
  /** Asks a judge that is not ours; formats that have none go without. */
  judge?(bytes: Uint8Array): Promise<Verdict>
}
