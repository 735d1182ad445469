import { type InstanceTable } from '../instances'
import { Randomness } from '../random'
import { gridPlaceOf } from '../slots'

/** What picks copies out of a pattern. Numbers count from 1, as copies are numbered. */
export type Pick =
  | { readonly kind: 'all' }
  | { readonly kind: 'every'; readonly every: number; readonly from: number }
  | { readonly kind: 'range'; readonly from: number; readonly to: number }
  | { readonly kind: 'line'; readonly which: 'column' | 'row' | 'layer'; readonly number: number }
  /** Each copy's own chance: a larger share keeps all that a smaller one picked. */
  | { readonly kind: 'share'; readonly share: number; readonly seed: number }
  | { readonly kind: 'name'; readonly text: string }
  | { readonly kind: 'part'; readonly thing: number }

/**
 * The slots of a pattern's copies that are picked, as keys, in their order. Empty places are passed over, but they count where
 * copies are numbered.
 *
 * @param nameOf how a copy is called, for picking by name: its own name, or that of its part
 */
export function pickCopies(
  table: InstanceTable,
  patternId: string,
  pick: Pick,
  nameOf: (row: number) => string = () => '',
): string[] {
  const random = pick.kind === 'share' ? new Randomness(pick.seed, patternId, 'pick') : undefined
  const text = pick.kind === 'name' ? pick.text.trim().toLowerCase() : ''
  const { slotLow, slotHigh, thing, count } = table
  const takes = (k: number): boolean => {
    switch (pick.kind) {
      case 'all':
        return true
      case 'every':
        return k + 1 >= pick.from && (k + 1 - pick.from) % pick.every === 0
      case 'range':
        return k + 1 >= pick.from && k + 1 <= pick.to
      case 'line':
        return gridPlaceOf(slotLow[k], slotHigh[k])[{ column: 0, row: 1, layer: 2 }[pick.which]] === pick.number - 1
      case 'share':
        return random!.value(slotLow[k], slotHigh[k], 0) < pick.share
      case 'name':
        return text !== '' && nameOf(k).toLowerCase().includes(text)
      case 'part':
        return thing[k] === pick.thing
    }
  }
  const keys: string[] = []
  for (let k = 0; k < count; k++) if (table.isPresent(k) && takes(k)) keys.push(table.keyOf(k))
  return keys
}

/** The slots that are not among these. */
export function inverted(table: InstanceTable, keys: ReadonlySet<string>): string[] {
  return pickCopies(table, '', { kind: 'all' }).filter((key) => !keys.has(key))
}
