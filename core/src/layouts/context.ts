import type { Convex } from '../clearing/convex'
import type { Dealt } from '../deal/deal'
import type { Quaternion } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'
import type { InstanceTable } from '../instances'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import type { MirrorNoting } from '../mirror/notes'
import type { Gray } from '../pictures/brightness'
import type { Standing } from '../spacing/standing'
import { readingsOf } from '../spacing/readings'
import type { SpacingAnswer, SpacingQuestion } from '../spacing/solve'
import type { Support } from '../spacing/support'
import type { MirrorSource } from '../values/reflection'
import type { Held, Measure } from '../values/spacing'
import type { Facts, Sentence } from '../words'

/** Tells how far places in a pattern's axes are from the guide or the outline of another; undefined of one that has neither. */
export type DistanceTo = (patternId: string) => ((at: Readonly<Vec3>) => number) | undefined

/** What a layout may ask about its pattern. */
export interface LayoutContext {
  readonly patternId: string
  readonly dealt: Dealt
  /** The support of each thing that is dealt. */
  readonly supportOf: (thing: number) => Support
  /** The copies of another pattern, in the world; undefined when there is no such pattern. */
  readonly hostCopies: (patternId: string) => PlacedHost | undefined
  /** How far a place in the pattern's axes is from the guide or the outline of another pattern, below 0 within an outline. */
  readonly distanceTo: DistanceTo
  /** Counts an id into the project's things. */
  readonly thingOf: (id: string) => number
  readonly mirror: MirrorContext
  /** A ground over which copies are spread, in the pattern's axes; undefined where it is not there. */
  readonly groundOf: (ground: string) => GroundSheet | undefined
  /** The brightness of a picture of the project; undefined while it has not been read. */
  readonly pictureOf: (file: string) => Gray | undefined
  /** The convex outline of each thing, about its pivot. */
  readonly shapeOf: (thing: number) => Convex | undefined
  /** The size that the pattern gives to all of its copies, beside what else sizes each. */
  readonly ownSize: number
  /** How the copies will stand in their slots, where spacing is to hold between copies as they stand. */
  readonly standing?: Standing | undefined
  /** So many copies at least and at the most come of a count that is worked out. */
  readonly least?: number | undefined
  readonly most?: number | undefined
  /** Only asked whether it can be placed: what takes long and refuses nothing may be left out. */
  readonly checking: boolean
}

/** The triangles of a ground, in the axes of a pattern. */
export interface GroundSheet {
  readonly name: string
  /** Three corners each, nine numbers. */
  readonly corners: Float64Array
  /** Which way is up in the world. */
  readonly up: Vec3
  /** How high the ground itself lies at a place of a triangle of it. */
  heightAt(x: number, y: number, z: number): number
}

/** A copy of another pattern that something goes with. */
export interface Host {
  readonly table: InstanceTable
  readonly row: number
  /** The slot that it has in its own pattern, also where it stands across a mirror. */
  readonly slotLow: number
  readonly slotHigh: number
}

/** Another pattern's copies, assemblies whole, with the turn and place that bring each into the world. */
export interface PlacedHost {
  readonly name: string
  /** Those that are present, in their order; those that moved across a mirror as they stand there. */
  readonly copies: readonly (Host & { readonly move: Vec3; readonly turn: Quaternion })[]
  readonly supportOf: (thing: number) => Support
  /** A point of a part by its name; undefined where the part has none of that name. */
  readonly pointOf: (thing: number, name: string) => Vec3 | undefined
}

/** The copies of a pattern that are mirrored, each of them a part, in the mirror's own axes. */
export interface MirroredTable {
  /** Under which the slots of its images are named. */
  readonly imagesAs: string
  readonly name: string
  readonly table: InstanceTable
  /** Which rows are mirrored; all where it is absent. */
  readonly wanted?: Uint8Array
  /** The copy of which each row is a piece; absent where each is a copy. */
  readonly pieceOf?: Uint32Array
}

/** What a mirror may ask about the copies that it mirrors. */
export interface MirrorContext {
  readonly sources: (sources: readonly MirrorSource[]) => readonly MirroredTable[]
  readonly things: MirrorThings
  readonly frames: SurfaceFrames
  readonly noting: MirrorNoting
  /** The pivot of a copy of any pattern, in the mirror's axes. */
  readonly copyAt: (pattern: string, slot: string) => Vec3 | undefined
}

/** What the spacing along one direction came out as; lengths in metres from the start of its room. */
export interface SpacingOutcome {
  readonly direction: Vec3
  readonly worked: Held
  readonly count: number
  readonly spacing: number
  readonly room: number
  readonly run: number
  readonly leftover: number
  readonly lead: number
  readonly lastBay: boolean
  /** What is asked, read in all three ways so that the last copy stays where it is; absent for one alone. */
  readonly readAs?: Readonly<Record<Measure, number>>
}

/** An answer of the solver as plain data. */
export function spacingOutcome(direction: Vec3, question: SpacingQuestion, answer: SpacingAnswer): SpacingOutcome {
  const { worked, count, spacing, room, run, leftover, lead, lastBay } = answer
  const readAs = readingsOf(question, answer)
  return {
    direction,
    worked,
    count,
    spacing,
    room,
    run,
    leftover,
    lead,
    lastBay: lastBay !== undefined,
    ...(readAs && { readAs }),
  }
}

/** A layout worked out and ready to be written. */
export interface Placement<Out> {
  readonly facts: Facts
  /** The sum by which a value was worked out, as on paper. */
  readonly working: Sentence
  /** What it came out as: plain data that can cross to another thread. */
  readonly outcome: Out
  /** Writes the copies: places, turns, slots and things. */
  write(table: InstanceTable): void
}
