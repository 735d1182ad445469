import type { ClearContext } from './clear/context'
import type { Quaternion } from '../geometry/rotation'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import type { MirrorNoting } from '../mirror/notes'
import type { Fields } from './fields'
import type { SettleContext } from './settle/context'

/** What a reflection may ask about the things of its pattern. */
export interface ReflectContext {
  readonly things: MirrorThings
  readonly noting: MirrorNoting
}

/** What a step may know of its pattern. */
export interface StepContext {
  readonly id: string
  /** How much of what varies its copies reaches them, from 0 to 1. */
  readonly strength: number
  /** How the pattern's axes are turned in the world. */
  readonly turn: Quaternion
  /** How the surfaces of copies are, by their numbers. */
  readonly frames: SurfaceFrames
  /** The colour of a thing; of a whole pattern the middle of all greys. */
  readonly colorOf: (thing: number) => string
  readonly fields: Fields
  readonly reflect: ReflectContext
  /** What clearing may know of things and of other patterns. */
  readonly clear: ClearContext
  /** What settling may know of what lies under the copies. */
  readonly settle: SettleContext
}
