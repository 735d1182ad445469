import type { InstanceTable } from '../instances'
import type { OutlineShape } from '../model/layout'
import type { Sentence } from '../words'
import type { Bodies } from './bodies'
import type { Convex } from './convex'
import type { Gaps } from './gap'
import type { Track } from './pushAlongPath'

/** What clearing may know of a pattern and its things. */
export interface ClearContext {
  readonly patternId: string
  readonly shapeOf: (thing: number) => Convex | undefined
  /** The clearance that a thing's part asks for. */
  readonly clearanceOf: (thing: number) => number
  /** The outline of a fill, with what is kept free along it. */
  readonly area?: { readonly outline: OutlineShape; readonly margin: number }
  /** The path along which copies stand, where they stand along one. */
  readonly track?: Track
  /** How gaps are told where outlines are not close enough; far off they may be those of outlines. */
  readonly gapsIn?: (bodies: Bodies, things: Uint32Array, far: number) => Gaps
  /** Copies of other patterns, in this pattern's axes: they stay where they are. */
  readonly others: (pattern: string) => InstanceTable | undefined
}

/** What came of a clearing, beside its sentence. */
export interface Cleared {
  readonly facts: Sentence
  /** The worst miss in each round, where it pushed. */
  readonly byRound: readonly number[]
  /** How far each copy moved along its path, where they were pushed along one. */
  readonly along?: Float64Array
}
