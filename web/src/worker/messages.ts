import type { Compared } from '@hilera/core/compare/copies'
import type { ComparedText } from '@hilera/core/compare/texts'
import type { Across } from '@hilera/core/evaluation/across'
import type { Profile } from '@hilera/core/evaluation/profile'
import type { WorkTime } from '@hilera/core/evaluation/times'
import type { Spreads } from '@hilera/core/evaluation/spreads'
import type { Overlap } from '@hilera/core/clearing/overlaps'
import type { Guise } from '@hilera/core/parts/guise'
import type { PatternOutcome } from '@hilera/core/evaluate'
import type { Stands } from '@hilera/core/layouts/definition'
import type { Unrolled } from '@hilera/core/layouts/unrolled'
import type { Project } from '@hilera/core/model/project'
import type { Facts, Problem, Result, Sentence } from '@hilera/core/words'
import type { Forecast, WriterOptions } from '@hilera/core/writers/definition'

/** The copies of one guise of a part in one pattern, as the stage draws them. */
export interface Batch extends Guise {
  /** Whether they are images that a mirror of this pattern made. */
  readonly image: boolean
  /** Rows of the pattern's own table; several copies share one where the pattern repeats others. */
  readonly rows: Uint32Array
  /** Move, turn and size of each, ten floats, in the pattern's own axes; in chunks, each in an order whose beginnings are spread. */
  readonly placed: Float32Array
}

export interface PatternUpdate extends PatternOutcome {
  readonly batches: readonly Batch[]
  /** From where to where they stand along its directions. */
  readonly stands: Stands
  /** How many of its copies are there, an assembly counted as one. */
  readonly present: number
  /** How many places it has, those that are empty or left out among them. */
  readonly places: number
}

/** A pattern laid out flat, and all that follows from it as it stands. */
export interface StripUpdate {
  readonly strip: Unrolled
  readonly facts: Facts
  /** The ground under its copies, where they settle. */
  readonly profile?: Profile
  /** What a mirror mirrors and its images, about its plane. */
  readonly across?: Across
}

/** So many overlaps go to the page. */
export const MOST_TOLD = 500

/** The overlaps in a pattern, the deepest first. */
export interface CrowdUpdate {
  readonly id: string
  readonly count: number
  readonly overlaps: readonly Overlap[]
}

/** What a variant of a pattern comes to: the patterns that differ from those on the stage, and its figures. */
export interface ProofUpdate {
  readonly updates: readonly PatternUpdate[]
  readonly figures: {
    readonly overlaps: number
    /** The smallest gap, below 0 where copies overlap; Infinity where none are near each other. */
    readonly nearest: number
    /** How far the gaps to the nearest neighbours spread: their standard deviation. */
    readonly spread: number
  }
}

/** How the copies of a pattern are spread. */
export interface SpreadsUpdate {
  readonly now: Spreads
  /** As its deal and its layout alone leave it. */
  readonly before: Spreads
  /** The worst miss in each round of its first clearing. */
  readonly rounds: readonly number[]
}

/** What differs between two states of a document. */
export interface CompareUpdate {
  readonly copies: Compared
  readonly texts: readonly ComparedText[]
}

/** What a file would hold, and which choices there are to make. */
export interface ForecastUpdate {
  readonly forecast: Result<Forecast>
  readonly options: WriterOptions
  /** The keys of the choices that matter. */
  readonly choices: readonly string[]
  readonly cannotHold: readonly string[]
  /** Why something else than ever is usual here. */
  readonly advice?: Sentence | undefined
}

export interface Update {
  /** Why patterns cannot be placed, by their ids. */
  readonly problems: readonly (readonly [string, Problem])[]
  /** All patterns in order; those that did not change since the last update carry only their id. */
  readonly patterns: readonly (PatternUpdate | { readonly id: string; readonly unchanged: true })[]
  /** Of working it out, and of packing it for the page. */
  readonly milliseconds: number
  readonly packing: number
  readonly times: readonly WorkTime[]
}

/** The document at a moment of its motion, in seconds, worked out. */
export interface MomentUpdate extends Update {
  readonly time: number
  readonly project: Project
}
