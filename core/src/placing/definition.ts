import type { Vec3 } from '../geometry/vec'
import type { Template } from '../sentences/nodes'
import type { Project } from '../model/project'
import type { Making, Original } from './several'
import type { Facts, Result } from '../words'
import type { Convex } from '../clearing/convex'
import type { Body, Placeable, Worked } from './body'
import type { Straightened } from './space'
import type { Wanted } from './wanted'

/** What an act may ask beside the things that it is done to. */
export interface Around extends Worked {
  /** The outline by which a thing takes up room. */
  shapeOf(thing: number): Convex | undefined
}

/** What an act comes to before it is done: where things will stand, and what follows. */
export interface Proposal<H> {
  readonly wanted: readonly Wanted[]
  readonly facts: Facts
  /** Values of its sentence that were worked out. */
  readonly worked?: Partial<H>
  /** How they stand one after another, for the strip. */
  readonly row?: InRow
}

/** Things one after another: along a direction of the world, or in their order along a curve that was pulled straight. */
export type InRow =
  | { readonly as: 'straight'; readonly direction: Readonly<Vec3> }
  | ({
      readonly as: 'straightened'
      readonly of: readonly Placeable[]
      readonly gaps: readonly number[]
      readonly pitches: readonly number[]
    } & Straightened)

/**
 * One way to put picked things exactly there. A new one is one of these and a line in the registry.
 *
 * @example export const lineUp: ActDefinition<LineUp> = { words: 'Line up', needs: 2, begin: lineUpDefaults, … }
 */
export interface ActDefinition<H extends object> {
  readonly words: string
  /** What undo calls it. */
  readonly undo: string
  /** How many things it takes at the least. */
  readonly needs: number
  /** As its sentence begins, and what "back to neutral" gives. */
  readonly begin: H
  /** Back to neutral from values as they are; as it begins where it is absent. */
  neutral?(now: H): H
  /** What is kept of the values of the last time; all of them where it is absent. */
  again?(last: H): H
  /**
   * @param worked what its values came out as
   * @param isOne whether one thing alone is picked
   */
  sentence(worked: Partial<H>, isOne: boolean): Template<H>
  /** Makes more of what is picked instead of putting it elsewhere; it proposes nothing then. In place. */
  make?(project: Project, originals: readonly Original[], how: H, making: Making): void
  /** @param lead the thing that leads: the marked one, or one that was chosen on the stage */
  propose(bodies: readonly Body[], lead: Body | undefined, how: H, around: Around): Result<Proposal<H>>
}
