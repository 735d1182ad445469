import type { Quaternion } from './rotation'
import type { Vec3 } from './vec'

/**
 * How one shape lies on another: other = move + turn · size · (mirrored across, if so) shape. Sizes are one for all axes
 * unless they were asked for along each.
 */
export interface Similarity {
  readonly move: Vec3
  readonly turn: Quaternion
  readonly size: Vec3
  readonly mirrored: boolean
  /** The largest distance of a vertex from where the shape puts it, in the other's metres. */
  readonly deviation: number
}
