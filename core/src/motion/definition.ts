import type { z } from 'zod'
import type { Pattern } from '../model/pattern'
import type { SeedBetween } from '../random'
import type { Template } from '../sentences/nodes'
import type { PatternNumber } from '../sentences/patternNumbers'
import type { Facts, Result } from '../words'
import type { Cast } from './cast'
import type { Moved } from './state'
import type { Timed } from './timing'

/** When one copy moves, in seconds. */
export interface Bar {
  readonly row: number
  readonly from: number
  readonly to: number
}

/** A movement of the copies of one pattern, ready to be asked for any time. */
export interface Prepared {
  /** How the copy in a row is moved at a time: a function of time alone, whatever was asked before. */
  at(row: number, time: number): Moved
  /** When copies move, in the order in which they begin; none where they never cease to. */
  readonly bars: readonly Bar[]
  /** Times of a row at which it changes suddenly: between them it goes smoothly. */
  turns(row: number): readonly number[]
  /** So long it goes one way at the least between these, in seconds. */
  readonly finest: number
  readonly facts: Facts
  /** How its times came out, where they begin one after another. */
  readonly timed?: Timed
  /** From when to when something changes that is not of one copy. */
  readonly spans?: readonly (readonly [from: number, to: number])[]
}

/** A number of a pattern's sentences as it is to be at a moment. */
export interface ValueThen {
  /** The sentence that says it, and how it is called there: see `PatternNumber`. */
  readonly of: string
  readonly label: string
  readonly to: number
  /** Between which values it is on its way, and how far. */
  readonly between: SeedBetween
}

/** Everything that the core knows of one kind of movement. A new one is a folder with one of these and a line in the registry. */
export interface MovementDefinition<M extends { readonly kind: string; readonly id: string }> {
  readonly schema: z.ZodType<M>
  /** Its name in lists and menus, and what it does in a few words. */
  readonly words: string
  readonly note: string
  readonly sentence: Template<M>
  /** What it does, in two or three words for a list. */
  summary(movement: M): string
  /**
   * As it begins; `copies` are there, and it has so many seconds.
   *
   * @param pattern of which it is to be, and the numbers that its sentences say; absent where a text is read
   */
  begin(id: string, copies: number, length: number, pattern?: Pattern, numbers?: readonly PatternNumber[]): M
  /**
   * What becomes of it for the copies of one pattern, or of several that have it together: their copies come in one row then.
   *
   * @returns one for each of the patterns, in their order
   */
  prepare(movement: M, casts: readonly Cast[]): Result<readonly Prepared[]>
  /** Of one that changes the document from moment to moment: what number it makes what at a time. It moves no copy by itself. */
  valueAt?(movement: M, time: number): ValueThen | undefined
  /** Over so many pictures before and after a moment what comes of it is averaged. */
  smooth?(movement: M): number
}
