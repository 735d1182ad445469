import { Flag, type InstanceTable } from '../instances'
import { gridPlaceOf, isImage } from '../slots'
import { nameFits } from './nameFits'
import type { Region } from './region'
import { shareTaken } from './share'

/** What picks copies out of a pattern. Numbers count from 1, as copies are numbered. */
export type Pick =
  | { readonly kind: 'all' }
  | { readonly kind: 'every'; readonly every: number; readonly from: number }
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  | { readonly kind: 'line'; readonly which: keyof typeof LINE_AXES; readonly number: number }
  | SharePick
  | { readonly kind: 'name'; readonly text: string }
  | { readonly kind: 'part'; readonly thing: number }
  /** Copies of what has the shape of this thing, whatever it is called. */
  | { readonly kind: 'shape'; readonly thing: number }
  /** Copies in a saved selection, by its id. */
  | { readonly kind: 'set'; readonly set: string }
  /** Copies of this sort of thing. */
  | { readonly kind: 'sort'; readonly sort: ThingSort }
  /** Copies of this colour, their own or that of their part; as the document writes it, #rrggbb. */
  | { readonly kind: 'color'; readonly color: string }
  /** Copies whose place is no farther than this from what is named, in metres, in the world. */
  | { readonly kind: 'near'; readonly of: string; readonly within: number }
  /** Copies whose place is seen in an outline that was drawn; nobody until it is. */
  | { readonly kind: 'region'; readonly region: Region | undefined }
  | { readonly kind: 'state'; readonly state: PickState }

/** Those that come first: a larger share keeps all that a smaller one picked. */
export interface SharePick {
  readonly kind: 'share'
  readonly share: number
  readonly seed: number
  readonly first?: ShareOrder
}

/** Where copies are numbered along one of three directions, and along which; a ring of several stands as a grid's row does. */
const LINE_AXES = { column: 0, row: 1, ring: 1, layer: 2 } as const

/** Which of them come first where a share is picked: by each copy's own chance, or by the room that they take up. */
export const shareOrders = ['chance', 'smallest', 'largest'] as const
export type ShareOrder = (typeof shareOrders)[number]

/** What may have become of a copy. */
export const pickStates = ['touched up', 'twins', 'held', 'off the ground', 'overlapping'] as const
export type PickState = (typeof pickStates)[number]

/** What a copy is one of. */
export const thingSorts = ['solids', 'meshes', 'assemblies', 'lights', 'placeholders', 'whole patterns'] as const
export type ThingSort = (typeof thingSorts)[number]

/** What is known of the copies of a pattern where they are picked; what is not known picks nothing. */
export interface PickContext {
  /** How a copy is called, for picking by name: its own name, or that of its part. */
  nameOf?(row: number): string
  /** The room that a thing takes up in full size, in cubic metres. */
  volumeOf?(thing: number): number
  sortOf?(thing: number): ThingSort
  /** The things that have the shape of one of them. */
  alike?(thing: number): ReadonlySet<number>
  /** The slots of the pattern that are in a saved selection, as keys. */
  inSet?(set: string): ReadonlySet<string>
  colorOf?(row: number): string | undefined
  /** Whether a copy stands near what is named. */
  near?(of: string, within: number): (row: number) => boolean
  /** Whether a copy stands inside an outline that was drawn. */
  inRegion?(region: Region): (row: number) => boolean
  /** Rows that found nothing to settle on. */
  readonly astray?: ReadonlySet<number>
  /** Rows that stand in others, as far as it is known; asked for only where it is wanted. */
  overlapping?(): ReadonlySet<number>
}

/** Tells of the rows of a table whether they are picked. */
export type Taker = (row: number) => boolean

const STATE_FLAGS: Partial<Record<PickState, number>> = {
  'touched up': Flag.touched,
  twins: Flag.twin,
  held: Flag.held,
}
const NOBODY: Taker = () => false

type Takers = {
  readonly [K in Pick['kind']]: (
    pick: Extract<Pick, { kind: K }>,
    table: InstanceTable,
    context: PickContext,
    patternId: string,
  ) => Taker
}
const takers: Takers = {
  all: () => () => true,
  every:
    ({ every, from }) =>
    (k) =>
      k + 1 >= from && (k + 1 - from) % every === 0,
  range:
    ({ from, to }) =>
    (k) =>
      k + 1 >= from && k + 1 <= to,
  line({ which, number }, { slotLow, slotHigh }) {
    const axis = LINE_AXES[which]
    return (k) => !isImage(slotHigh[k]) && gridPlaceOf(slotLow[k], slotHigh[k])[axis] === number - 1
  },
  share: shareTaken,
  name({ text }, _, { nameOf }) {
    const fits = nameFits(text)
    return (k) => fits(nameOf?.(k) ?? '')
  },
  part:
    ({ thing }, table) =>
    (k) =>
      table.thing[k] === thing,
  shape({ thing }, table, { alike }) {
    const things = alike?.(thing)
    return (k) => things?.has(table.thing[k]) ?? false
  },
  set({ set }, table, { inSet }) {
    const keys = inSet?.(set)
    return keys && keys.size > 0 ? (k) => keys.has(table.keyOf(k)) : NOBODY
  },
  sort:
    ({ sort }, { thing }, { sortOf }) =>
    (k) =>
      sortOf?.(thing[k]) === sort,
  color({ color }, _, { colorOf }) {
    const wanted = color.toLowerCase()
    return (k) => colorOf?.(k)?.toLowerCase() === wanted
  },
  near: ({ of, within }, _, { near }) => near?.(of, within) ?? NOBODY,
  region: ({ region }, _, { inRegion }) => (region && inRegion?.(region)) ?? NOBODY,
  state({ state }, { flags }, { astray, overlapping }) {
    const flag = STATE_FLAGS[state]
    if (flag) return (k) => (flags[k] & flag) !== 0
    const rows = state === 'overlapping' ? overlapping?.() : astray
    return rows ? (k) => rows.has(k) : NOBODY
  },
}

/** Which rows a pick takes, present or not. */
export function takerOf(table: InstanceTable, patternId: string, pick: Pick, context: PickContext = {}): Taker {
  const make = takers[pick.kind] as (pick: Pick, table: InstanceTable, context: PickContext, id: string) => Taker
  return make(pick, table, context, patternId)
}

/**
 * The slots of a pattern's copies that are picked, as keys, in their order. Empty places are passed over, but they count where
 * copies are numbered.
 */
export const pickCopies = (table: InstanceTable, patternId: string, pick: Pick, context: PickContext = {}): string[] =>
  keysTaken(table, takerOf(table, patternId, pick, context))

/** The slots of the copies that are there and taken, in their order. */
export function keysTaken(table: InstanceTable, takes: Taker): string[] {
  const keys: string[] = []
  for (let k = 0; k < table.count; k++) if (table.isPresent(k) && takes(k)) keys.push(table.keyOf(k))
  return keys
}

/** The slots that are not among these. */
export const inverted = (table: InstanceTable, keys: ReadonlySet<string>): string[] =>
  pickCopies(table, '', { kind: 'all' }).filter((key) => !keys.has(key))
