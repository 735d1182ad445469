import type { Convex } from '../../clearing/convex'
import type { StandingSurface } from '../../contact/standing'
import type { Place } from '../../model/pattern'
import type { Rest } from './schema'

/** What settling may know of a pattern and of what lies under it. */
export interface SettleContext {
  /** Where the pattern's axes lie in the world. */
  readonly place: Place
  readonly shapeOf: (thing: number) => Convex | undefined
  /** A ground or copies as they stand in the world, by name; undefined where they are not there. */
  readonly restOf: (rest: Rest) => { readonly name: string; readonly surface: StandingSurface } | undefined
}
