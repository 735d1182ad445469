import type { Bodies } from '../../clearing/bodies'
import type { Convex } from '../../clearing/convex'
import type { Quaternion } from '../../geometry/rotation'
import type { InstanceTable } from '../../instances'
import type { Rest } from './schema'

/** What copies come to rest on, as it stands in the world. */
export interface Support {
  /** The topmost place over one of the world: height and unit normal are written; false where there is none. */
  at(x: number, z: number, out: Float64Array): boolean
  /** How far a body of the world has to be raised until its outline rests on it; −Infinity where it passes beside it. */
  raise(bodies: Bodies, k: number): number
}

/** What settling may know of a pattern and of what lies under it. */
export interface SettleContext {
  /** How the pattern's axes are turned in the world. */
  readonly turn: Quaternion
  /** A table of the pattern's copies as they stand in the world. */
  readonly inWorld: (table: InstanceTable) => InstanceTable
  readonly shapeOf: (thing: number) => Convex | undefined
  /** A ground or copies by name; undefined where they are not there. */
  readonly restOf: (rest: Rest) => { readonly name: string; readonly surface: Support } | undefined
}
