import type { Dealt } from '../deal/deal'
import type { InstanceTable } from '../instances'
import type { Vec3 } from '../values/values'
import type { SpacingAnswer } from '../spacing/solve'
import type { Held } from '../spacing/solve'
import type { Sentence } from '../words'
import type { Support } from '../spacing/support'
import type { PathOutcome } from './path/place'
import type { RingOutcome } from './ring/place'
import type { FillOutcome } from './fill/place'
import type { PlacedHost } from './companion/place'
import type { MirrorContext, MirrorOutcome } from './mirror/place'

/** What a layout may ask about its pattern. */
export interface LayoutContext {
  readonly patternId: string
  readonly dealt: Dealt
  /** The reach of each thing that is dealt. */
  readonly supportOf: (thing: number) => Support
  /** The copies of another pattern, in the world; undefined when there is no such pattern. */
  readonly hostCopies: (patternId: string) => PlacedHost | undefined
  /** Counts an id into the project's things. */
  readonly thingOf: (id: string) => number
  readonly mirror: MirrorContext
  /** Only asked whether it can be placed: what takes long and refuses nothing may be left out. */
  readonly checking: boolean
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
}

export interface LineOutcome extends SpacingOutcome {
  readonly kind: 'line'
}

export interface GridOutcome {
  readonly kind: 'grid'
  readonly across: SpacingOutcome
  readonly deep: SpacingOutcome
  readonly up: SpacingOutcome
  /** Where the rooms begin, in the pattern's axes. */
  readonly start: Vec3
  readonly working: { readonly across: Sentence; readonly deep: Sentence; readonly up: Sentence }
}

/** What a layout came out as: plain data that can cross to another thread. */
export type LaidOut =
  | LineOutcome
  | GridOutcome
  | RingOutcome
  | PathOutcome
  | FillOutcome
  | { readonly kind: 'companion'; readonly hosts: number }
  | { readonly kind: 'spots'; readonly count: number }
  | MirrorOutcome

/** A layout worked out and ready to be written. */
export interface Placement {
  readonly facts: Sentence
  /** The sum by which a value was worked out, as on paper. */
  readonly working: Sentence
  readonly outcome: LaidOut
  /** Writes the copies: places, turns, slots and things. */
  write(table: InstanceTable): void
}

/** An answer of the solver as plain data. */
export function spacingOutcome(direction: Vec3, answer: SpacingAnswer): SpacingOutcome {
  const { worked, count, spacing, room, run, leftover, lead, lastBay } = answer
  return { direction, worked, count, spacing, room, run, leftover, lead, lastBay: lastBay !== undefined }
}
