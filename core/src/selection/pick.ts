import { Flag, type InstanceTable } from '../instances'
import { Randomness } from '../random'
import { gridPlaceOf } from '../slots'

/** What picks copies out of a pattern. Numbers count from 1, as copies are numbered. */
export type Pick =
  | { readonly kind: 'all' }
  | { readonly kind: 'every'; readonly every: number; readonly from: number }
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  | { readonly kind: 'line'; readonly which: 'column' | 'row' | 'layer'; readonly number: number }
  /** Those that come first: a larger share keeps all that a smaller one picked. */
  | { readonly kind: 'share'; readonly share: number; readonly seed: number; readonly first?: ShareOrder }
  | { readonly kind: 'name'; readonly text: string }
  | { readonly kind: 'part'; readonly thing: number }
  | { readonly kind: 'state'; readonly state: PickState }

/** Which of them come first where a share is picked: by each copy's own chance, or by the room that they take up. */
export const shareOrders = ['chance', 'smallest', 'largest'] as const
export type ShareOrder = (typeof shareOrders)[number]

/** What may have become of a copy. */
export const pickStates = ['touched up', 'twins', 'held', 'off the ground'] as const
export type PickState = (typeof pickStates)[number]

/** What is known of the copies of a pattern where they are picked. */
export interface PickContext {
  /** How a copy is called, for picking by name: its own name, or that of its part. */
  nameOf?(row: number): string
  /** The room that a thing takes up in full size, in cubic metres. */
  volumeOf?(thing: number): number
  /** Rows that found nothing to settle on. */
  readonly astray?: ReadonlySet<number>
}

/**
 * The slots of a pattern's copies that are picked, as keys, in their order. Empty places are passed over, but they count where
 * copies are numbered.
 */
export function pickCopies(table: InstanceTable, patternId: string, pick: Pick, context: PickContext = {}): string[] {
  const takes = takenBy(table, patternId, pick, context)
  const keys: string[] = []
  for (let k = 0; k < table.count; k++) if (table.isPresent(k) && takes(k)) keys.push(table.keyOf(k))
  return keys
}

function takenBy(table: InstanceTable, patternId: string, pick: Pick, context: PickContext): (k: number) => boolean {
  const { slotLow, slotHigh, thing } = table
  switch (pick.kind) {
    case 'all':
      return () => true
    case 'every':
      return (k) => k + 1 >= pick.from && (k + 1 - pick.from) % pick.every === 0
    case 'range':
      return (k) => k + 1 >= pick.from && k + 1 <= pick.to
    case 'line': {
      const axis = { column: 0, row: 1, layer: 2 }[pick.which]
      return (k) => gridPlaceOf(slotLow[k], slotHigh[k])[axis] === pick.number - 1
    }
    case 'share':
      return shareTaken(table, patternId, pick, context)
    case 'name': {
      const fits = nameFits(pick.text)
      return (k) => fits(context.nameOf?.(k) ?? '')
    }
    case 'part':
      return (k) => thing[k] === pick.thing
    case 'state': {
      const flag = { 'touched up': Flag.touched, twins: Flag.twin, held: Flag.held, 'off the ground': 0 }[pick.state]
      return flag > 0 ? (k) => (table.flags[k] & flag) !== 0 : (k) => context.astray?.has(k) ?? false
    }
  }
}

/**
 * By chance each copy has its own, so that adding copies changes nobody else's. By size they are put in order, those alike by their
 * chance: the first ones of that order are the share.
 */
function shareTaken(
  table: InstanceTable,
  patternId: string,
  { share, seed, first = 'chance' }: Extract<Pick, { kind: 'share' }>,
  { volumeOf }: PickContext,
): (k: number) => boolean {
  const random = new Randomness(seed, patternId, 'pick')
  const chance = (k: number): number => random.value(table.slotLow[k], table.slotHigh[k], 0)
  if (first === 'chance') return (k) => chance(k) < share
  const volumes = new Map<number, number>()
  const { scale: s } = table
  const sign = first === 'smallest' ? 1 : -1
  const order: { readonly k: number; readonly size: number; readonly chance: number }[] = []
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    const thing = table.thing[k]
    const full = volumes.get(thing) ?? volumeOf?.(thing) ?? 1
    volumes.set(thing, full)
    order.push({ k, size: sign * full * s[3 * k] * s[3 * k + 1] * s[3 * k + 2], chance: chance(k) })
  }
  order.sort((a, b) => a.size - b.size || a.chance - b.chance)
  const taken = new Set(order.slice(0, Math.round(share * order.length)).map(({ k }) => k))
  return (k) => taken.has(k)
}

/** A part of a name, whatever its case; with * for anything and ? for one character it is the whole name, or a word of it. */
function nameFits(wanted: string): (name: string) => boolean {
  const text = wanted.trim().toLowerCase()
  if (text === '') return () => false
  if (!/[*?]/.test(text)) return (name) => name.toLowerCase().includes(text)
  const escaped = text.replace(/[.+^${}()|[\]\\]/g, '\\$&')
  const pattern = new RegExp(`(^|\\s)${escaped.replaceAll('*', '.*').replaceAll('?', '.')}($|\\s)`)
  return (name) => pattern.test(name.toLowerCase())
}

/** The slots that are not among these. */
export function inverted(table: InstanceTable, keys: ReadonlySet<string>): string[] {
  return pickCopies(table, '', { kind: 'all' }).filter((key) => !keys.has(key))
}
