import type { z } from 'zod'
import type { Start } from './beginning'
import type { Convex } from '../clearing/convex'
import type { Track } from '../clearing/pushAlongPath'
import type { Similarity } from '../geometry/similarity'
import type { InstanceTable, Placing } from '../instances'
import type { Quantity } from '../numbers/units'
import type { Area } from '../scatter/area'
import type { Template } from '../sentences/nodes'
import type { Support } from '../spacing/support'
import type { Curve } from '../values/curve'
import type { MirrorSource, Reflection } from '../values/reflection'
import type { Vec3 } from '../values/values'
import type { Facts, Range, Result } from '../words'
import type { DistanceTo, LayoutContext, Placement } from './context'
import type { Unrolled } from './unrolled'

/** A change of a layout, made in place. */
export type Edit<L> = (layout: L) => void

/** What a pattern that is worked out tells its layout. */
export interface Worked<Out> {
  readonly table: InstanceTable
  readonly laid: Out
  /** How far each copy moved along its path while it was cleared, in metres. */
  readonly along?: Float64Array
}

/** What may be asked of things where copies are measured. */
export interface Things {
  readonly supportOf: (thing: number) => Support
  /** The convex outline about the pivot; undefined for what takes up no room. */
  readonly shapeOf: (thing: number) => Convex | undefined
}

/** Along each direction of a layout, from where to where its copies stand; those that only one copy takes are left out. */
export type Stands = Readonly<Record<string, Range>>

/** A value that can be wanted of a layout as it comes out, whichever of its numbers pays for it. */
export interface Want<L, Out> {
  readonly key: string
  /** As it reads after "the": "gap". */
  readonly words: string
  readonly quantity: Quantity
  /** The label of the number of the sentence that asks for it. */
  readonly field: string
  /** What the fact is about that measures it on the copies as they stand. */
  readonly fact?: string
  /** What it came out as in the layout; undefined where it has no meaning. */
  read(laid: Out, copies: number): number | undefined
  /** Asks for it in the layout itself. Changes it in place. */
  ask?(layout: L, to: number): void
}

/** What a place says of its copy: another part, a turn (radians, about across, then up, then deep) and a size. */
export interface OwnTouchUp {
  readonly part?: string
  readonly turn?: Vec3
  readonly size?: Vec3
}

/** What takes a part's place when shapes are joined, and how that part lies on it. */
export interface Relinked {
  readonly by: string
  readonly similarity: Similarity
}

/** How a layout goes by the copies as they will stand. */
export interface GoesByStanding {
  /** Whether their number is worked out by it. */
  readonly counts: boolean
  /** What was done to copies by hand lays nothing out anew: they stand as their steps leave them. */
  readonly handsAside?: true
}

/**
 * Everything that the core knows of one way to lay copies out. A new layout is a folder with one of these and a line in the
 * registry; nothing else asks for its kind.
 *
 * @example export const ring: LayoutDefinition<Ring, RingOutcome> = { schema, words: 'Ring', … }
 */
export interface LayoutDefinition<L extends { readonly kind: string }, Out extends { readonly kind: string }> {
  readonly schema: z.ZodType<L>
  /** Its name in lists and menus. */
  readonly words: string
  /** What it is for, in one line. */
  readonly note: string
  /** What would make it less work, where it can take long. */
  readonly eases?: string
  /** One line about a layout; `nameOf` gives the name of a pattern, a group or a saved selection. */
  summary(layout: L, nameOf: (id: string) => string): string
  /** It takes its places from another pattern or from a ground, and cannot begin without one. */
  readonly needs?: 'pattern' | 'ground'
  /** It adds images that are seen as a ghost before they are accepted. */
  readonly isProposed?: true
  /** The sentence in which it is read, changed, copied as text and read back. */
  readonly sentence: Template<L>
  /** As it begins, fitted to a thing. */
  begin(start: Start): L
  /** What the next of its kind begins with as the last one had it: choices, and no lengths that go by the part. */
  readonly lasting?: readonly (keyof L & string)[]
  /** Works out where copies go; a sentence where nothing can meet what is asked. */
  place(layout: L, context: LayoutContext): Result<Placement<Out>>
  /**
   * Present where its spacing goes by the copies as their steps and touch-ups size and turn them, so that it is laid out for
   * these.
   */
  goesByStanding?(layout: L): GoesByStanding | undefined
  /** Laid out flat for the spacing strip. */
  unroll?(layout: L, worked: Worked<Out>, things: Things): Unrolled
  /** What is said of the copies as they stand, measured once all of it is done. */
  facts?(layout: L, worked: Worked<Out>, things: Things): Facts
  /** From where to where its copies stand along its directions, as its rooms are measured, by the names of these; for dimension lines. */
  stands?(layout: L, worked: Worked<Out>, things: Things): Stands
  /** Whether any copy takes its part from the deal; all do where it is absent. */
  deals?(layout: L): boolean
  /** So many copies more or fewer at the spacing that there is: the room, the radius or the density follows. */
  more?(layout: L, laid: Out, by: number): Edit<L> | undefined
  /** The spacing so much wider or narrower, in metres. */
  wider?(layout: L, laid: Out, by: number): Edit<L> | undefined
  /** Takes a count over from another layout. */
  takeCount?(layout: L, count: number): void
  /** Its places are put there one by one: nothing makes the steps between them even. */
  readonly isByHand?: true
  /** It places one thing, and only that. */
  isSingle?(layout: L): boolean
  /** What can be wanted of it as it comes out. */
  readonly wants?: readonly Want<L, Out>[]
  /** The curve on which it lies: a guide, drawn where it is shown and exported only where it is asked for. */
  guide?(layout: L): Curve
  /** How far a place is from its guide or its outline, in its own axes, below 0 within an outline; undefined while that cannot be built. */
  distance?(layout: L): ((at: Readonly<Vec3>) => number) | undefined
  /** The area that its copies stay inside, with what is kept free along its edge, by whole copies or by their pivots. */
  area?(layout: L, distanceTo: DistanceTo): { readonly area: Area; readonly margin: number; readonly whole: boolean }
  /** The path along which its copies can be pushed. */
  track?(layout: L, laid: Out, table: InstanceTable): Track | undefined
  /** How it mirrors what it places. */
  reflection?(layout: L): Reflection
  /** What it places images of, and whether that stands there instead of where it was. */
  images?(layout: L): { readonly sources: readonly MirrorSource[]; readonly away: boolean }
  /** The pattern with whose copies it goes, also across a mirror. */
  host?(layout: L): string
  /** Names of copies of their own, by their slot keys. */
  names?(layout: L): ReadonlyMap<string, string>
  /** Copies without the names of their own that are chosen by slot key and part; in place. */
  dropNames?(layout: L, chosen: (key: string, part: string | undefined) => boolean): void
  /** The layout with its own parts replaced so that nothing moves. */
  relinked?(layout: L, change: (part: string) => Relinked | undefined): L
  /** How its own parts stand, where they have places that could take up a move: with the size of each. */
  ownParts?(layout: L): readonly { readonly part: string; readonly size: Readonly<Vec3> }[]
  /** What its places say of their copies themselves, by their slot keys: it goes on as touch-ups when they are laid out anew. */
  ownTouchUps?(layout: L): ReadonlyMap<string, OwnTouchUp>
  /** The place of one copy by its slot key, where each has one of its own; undefined where there is none of that slot. */
  ownPlace?(layout: L, key: string): Placing | undefined
  /** Puts that place elsewhere; in place. */
  putPlace?(layout: L, key: string, to: Placing): void
  /** Lets the deal say which part stands on each place; in place. */
  dealAll?(layout: L): void
  /** What no longer works when its copies are made separate, beside spacing and count: "its mirror no longer places them …". */
  readonly lost?: string
}
