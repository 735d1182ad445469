import { z } from 'zod'
import type { InstanceTable } from '../instances'
import { Randomness } from '../random'
import { gridPlaceOf, isImage } from '../slots'
import { seed } from '../values/marks'
import { type Vec3, placeIn } from '../values/values'

export const orders = ['theirs', 'backwards', 'middle', 'ends', 'place', 'rows', 'parts', 'chance'] as const
export type Order = (typeof orders)[number]

/** Who comes when. */
export const ordered = z.object({
  order: z.enum(orders),
  seed: seed(),
  /** The place from which they come outward, in the pattern's own axes. */
  near: placeIn,
})
export type Ordered = z.infer<typeof ordered>

/** When copies have their turn. */
export interface Ranks {
  /** By row, from 0; a share of all by chance. −1 for rows that are not there; one that a mirror has moved across has its turn, for its image comes then. */
  readonly of: Float64Array
  /** How many have their turn one after another; those that have it together are one. */
  readonly count: number
}

/** Who comes when by how far away they stand: those that stand as far away come together. */
const BY_DISTANCE: readonly Order[] = ['middle', 'ends', 'place']
/** Distances that differ by less than this share of the largest are one. */
const ALIKE = 1e-6

/**
 * The turns of a pattern's copies.
 *
 * By chance each has its own from 0 to 1, so that a copy more changes nobody else's; from the middle, from the ends or from a place those
 * that are as far away have their turn together; by rows and by parts all of one do.
 *
 * @param name under which chances are drawn
 */
export function ranksOf({ order, seed, near: from }: Ordered, table: InstanceTable, name: string): Ranks {
  const of = new Float64Array(table.count).fill(-1)
  const present: number[] = []
  for (let k = 0; k < table.count; k++) if (table.isMirrored(k)) present.push(k)
  if (order === 'chance') {
    const random = new Randomness(seed, name, 'motion')
    for (const k of present) of[k] = random.value(table.slotLow[k], table.slotHigh[k], 0)
    return { of, count: present.length }
  }
  const key = keyOf(order, table, present, from)
  const sorted = present.toSorted((a, b) => key(a) - key(b))
  const near = (BY_DISTANCE.includes(order) ? ALIKE : 0) * Math.abs(key(sorted.at(order === 'ends' ? 0 : -1)!))
  let [rank, last] = [-1, -Infinity]
  for (const k of sorted) {
    if (key(k) - last > near) {
      rank++
      last = key(k)
    }
    of[k] = rank
  }
  return { of, count: rank + 1 }
}

function keyOf(
  order: Exclude<Order, 'chance'>,
  table: InstanceTable,
  present: readonly number[],
  from: Readonly<Vec3>,
): (k: number) => number {
  const { slotLow, slotHigh } = table
  switch (order) {
    case 'theirs':
      return (k) => k
    case 'backwards':
      return (k) => -k
    // Images stand in no row: they come after all that do, together.
    case 'rows':
      return (k) => (isImage(slotHigh[k]) ? 2 ** 21 : gridPlaceOf(slotLow[k], slotHigh[k])[1])
    case 'parts':
      return (k) => table.thing[k]
    case 'place':
      return awayFrom(table, from)
    case 'middle':
    case 'ends': {
      const away = awayFrom(table, middleOf(table, present))
      return order === 'middle' ? away : (k) => -away(k)
    }
  }
}

const awayFrom =
  ({ position: p }: InstanceTable, [x, y, z]: Readonly<Vec3>) =>
  (k: number): number =>
    Math.hypot(p[3 * k] - x, p[3 * k + 1] - y, p[3 * k + 2] - z)

/** The middle of the box about the places of copies. */
function middleOf({ position: p }: InstanceTable, present: readonly number[]): Vec3 {
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ]
  for (const k of present)
    for (let i = 0; i < 3; i++) {
      low[i] = Math.min(low[i], p[3 * k + i])
      high[i] = Math.max(high[i], p[3 * k + i])
    }
  return low.map((n, i) => (n + high[i]) / 2) as Vec3
}
