import type { InstanceTable } from '../instances'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import type { MirrorNoting } from '../mirror/notes'
import type { Step } from '../model/step'
import type { Quaternion } from '../geometry/rotation'
import type { Sentence } from '../words'
import type { Fields } from './fields'

/** What a reflection may ask about the things of its pattern. */
export interface ReflectContext {
  readonly things: MirrorThings
  readonly noting: MirrorNoting
}

/**
 * A step changes the copies so far in place and says what came of it.
 *
 * @param only the rows to which it keeps, 1 for each; all where it is absent
 */
export type StepFunction<S extends Step> = (
  table: InstanceTable,
  step: S,
  only: Uint8Array | undefined,
  pattern: StepContext,
) => Sentence

/** What a step may know of its pattern. */
export interface StepContext {
  readonly id: string
  /** How the pattern's axes are turned in the world. */
  readonly turn: Quaternion
  /** How the surfaces of copies are, by their numbers. */
  readonly frames: SurfaceFrames
  /** The colour of a thing; of a whole pattern the middle of all greys. */
  readonly colorOf: (thing: number) => string
  readonly fields: Fields
  readonly reflect: ReflectContext
}
