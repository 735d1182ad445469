import type { InstanceTable } from '../instances'
import { Randomness } from '../random'
import type { PickContext, SharePick, Taker } from './pick'

/**
 * By chance each copy has its own, so that adding copies changes nobody else's. By size they are put in order, those alike by their
 * chance: the first ones of that order are the share.
 */
export function shareTaken(
  { share, seed, first = 'chance' }: SharePick,
  table: InstanceTable,
  { volumeOf }: PickContext,
  patternId: string,
): Taker {
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
