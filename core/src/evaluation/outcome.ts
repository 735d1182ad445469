import { InstanceTable } from '../instances'
import type { LaidOut } from '../layouts/index'
import type { SurfaceFrame } from '../mirror/frames'
import type { MirrorNotes } from '../mirror/notes'
import type { Pattern } from '../model/pattern'
import type { Facts, Problem, Sentence } from '../words'

/** Of more copies than these it is only measured how they stand when that is asked for: it takes as long as placing them. */
export const MEASURED_AT_ONCE = 5000

/** Everything that is known of a pattern once it is worked out: plain data that can cross to another thread. */
export interface PatternOutcome {
  readonly id: string
  /** The pattern's own copies, each a part or a whole other pattern. */
  readonly table: InstanceTable
  /** Every copy a part, assemblies whole: what is counted and accompanied. The same table where no pattern is repeated. */
  readonly copies: InstanceTable
  /** For each row of `copies` the row of `table` that it came from; absent where they are the same. */
  readonly copyOwner?: Uint32Array
  /** Every copy a part in one piece: what is drawn and exported. The same table where no pattern or assembly is repeated. */
  readonly expanded: InstanceTable
  /** For each row of `expanded` the row of `table` that it came from; absent where they are the same. */
  readonly owner?: Uint32Array
  /** The surface frames that copies name by their numbers, the first of them 1. */
  readonly frames: readonly SurfaceFrame[]
  readonly touched: number
  /** Places that touch-ups leave empty, and copies that they hold still. */
  readonly empty: number
  readonly held: number
  /** What its mirrors come to; absent where nothing is mirrored. */
  readonly mirrors?: MirrorNotes
  /** The worst miss in each round of pushing apart, by the step's id. */
  readonly rounds: Readonly<Record<string, readonly number[]>>
  /** Rows of `table` that found nothing to settle on, by the step's id. */
  readonly astray: Readonly<Record<string, readonly number[]>>
  /** How far each copy moved along its path while it was cleared, in metres; absent where none was pushed along one. */
  readonly along?: Float64Array
  /** Absent where nothing is placed. */
  readonly laid?: LaidOut
  /** What follows from it; of a crowd without what is measured on it, see `factsOf`. */
  readonly facts: Facts
  readonly working: Sentence
  /** What came of each step, by its id. */
  readonly stepFacts: Readonly<Record<string, Facts>>
  /** Why nothing is placed. */
  readonly problem?: Problem
}

/** How the copies of a pattern came to stand and to look. */
export type Stood = Pick<PatternOutcome, 'table' | 'frames'>

/** The colour of a copy where steps or hands gave it another one than its part has. */
export const ownColorOf = ({ table, frames }: Stood, row: number): string | undefined =>
  frames[table.surface[row] - 1]?.color

/** What a pattern comes to of which nothing can be placed. */
export function nothing(pattern: Pattern, problem: Problem, table = new InstanceTable()): PatternOutcome {
  table.reset(0)
  return {
    id: pattern.id,
    table,
    copies: table,
    expanded: table,
    frames: [],
    touched: 0,
    empty: 0,
    held: 0,
    rounds: {},
    astray: {},
    facts: [],
    working: [],
    stepFacts: {},
    problem,
  }
}
