import type { Guise } from '@hilera/core/parts/guise'
import type { PatternOutcome } from '@hilera/core/evaluate'

/** The copies of one guise of a part in one pattern, as the stage draws them. */
export interface Batch extends Guise {
  /** Whether they are images that a mirror of this pattern made. */
  readonly image: boolean
  /** Rows of the pattern's own table; several copies share one where the pattern repeats others. */
  readonly rows: Uint32Array
  /** Sixteen floats a copy, by columns, in the pattern's own axes. */
  readonly matrices: Float32Array
}

export interface PatternUpdate extends PatternOutcome {
  readonly batches: readonly Batch[]
  /** How many copies stand on the stage. */
  readonly drawn: number
}

export interface Update {
  /** All patterns in order; those that did not change since the last update carry only their id. */
  readonly patterns: readonly (PatternUpdate | { readonly id: string; readonly unchanged: true })[]
  readonly milliseconds: number
}
