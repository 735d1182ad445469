import type { InstanceTable } from '../../instances'
import type { Bodies } from '../../clearing/bodies'
import type { Convex } from '../../clearing/convex'
import type { Gaps } from '../../clearing/gap'
import type { Track } from '../../clearing/pushAlongPath'
import type { Area } from '../../scatter/area'

/** What clearing may know of a pattern and its things. */
export interface ClearContext {
  readonly patternId: string
  readonly shapeOf: (thing: number) => Convex | undefined
  /** The clearance that a thing's part asks for. */
  readonly clearanceOf: (thing: number) => number
  /** The area of a fill, with what is kept free along its edge: by whole copies, or by their pivots. */
  readonly area?: { readonly area: Area; readonly margin: number; readonly whole: boolean } | undefined
  /** The path along which copies stand, where they stand along one. */
  readonly track?: () => Track | undefined
  /** How gaps are told where outlines are not close enough; far off they may be those of outlines. */
  readonly gapsIn?: (bodies: Bodies, things: Uint32Array, far: number) => Gaps
  /** Copies of other patterns, in this pattern's axes: they stay where they are. */
  readonly others: (pattern: string) => InstanceTable | undefined
}
