import type { InstanceTable } from '../instances'
import type { LaidOut } from '../layouts/placement'
import type { SurfaceFrame } from '../mirror/frames'
import type { MirrorNotes } from '../mirror/notes'
import type { Pattern } from '../model/pattern'
import type { Problem, Sentence } from '../words'

/** Everything that is known of a pattern once it is worked out: plain data that can cross to another thread. */
export interface PatternOutcome {
  readonly id: string
  /** The pattern's own copies, each a part or a whole other pattern. */
  readonly table: InstanceTable
  /** The copies as parts alone; the same table where no pattern is repeated. */
  readonly expanded: InstanceTable
  /** For each row of `expanded` the row of `table` that it came from; absent where they are the same. */
  readonly owner?: Uint32Array
  /** The surface frames that copies name by their numbers, the first of them 1. */
  readonly frames: readonly SurfaceFrame[]
  readonly touched: number
  readonly empty: number
  /** What its mirrors come to; absent where nothing is mirrored. */
  readonly mirrors?: MirrorNotes
  /** The worst miss in each round of pushing apart, by the clearing's id. */
  readonly rounds?: Readonly<Record<string, readonly number[]>>
  /** How far each copy moved along its path while it was cleared, in metres; absent where none was pushed along one. */
  readonly along?: Float64Array
  /** Absent where nothing is placed. */
  readonly laid?: LaidOut
  readonly facts: Sentence
  readonly working: Sentence
  /** What came of each step, by its id. */
  readonly stepFacts: Readonly<Record<string, Sentence>>
  /** Why nothing is placed. */
  readonly problem?: Problem
  readonly milliseconds: number
}

/** The surface frames of an evaluation, as its newest outcome has them. */
export const framesIn = (outcomes: readonly Pick<PatternOutcome, 'frames'>[]): readonly SurfaceFrame[] =>
  outcomes.reduce<readonly SurfaceFrame[]>((most, { frames }) => (frames.length > most.length ? frames : most), [])

/** What a pattern comes to of which nothing can be placed. */
export function nothing(
  pattern: Pattern,
  table: InstanceTable,
  problem: Problem,
  milliseconds: number,
): PatternOutcome {
  table.reset(0)
  return {
    id: pattern.id,
    table,
    expanded: table,
    frames: [],
    touched: 0,
    empty: 0,
    facts: [],
    working: [],
    stepFacts: {},
    problem,
    milliseconds,
  }
}
