import { z } from 'zod'
import type { InstanceTable } from '../instances'
import { Randomness } from '../random'
import { gridPlaceOf, isImage } from '../slots'
import { ref, seed } from '../values/marks'
import { type Vec3, placeIn } from '../values/values'
import { type Cast, placeThere, takesPart } from './cast'

export const orders = ['theirs', 'backwards', 'middle', 'ends', 'place', 'rows', 'parts', 'chance'] as const
export type Order = (typeof orders)[number]

/** Who comes when. */
export const ordered = z.object({
  order: z.enum(orders),
  seed: seed(),
  /** The place from which they come outward, in the pattern's own axes. */
  near: placeIn,
  /** The saved selection to which it keeps: all others stand as they would without it. */
  only: ref('set').optional(),
})
export type Ordered = z.infer<typeof ordered>

/** When copies have their turn. */
export interface Ranks {
  /** For each pattern, by row, from 0; a share of all by chance. −1 for rows that have no part in it. */
  readonly of: readonly Float64Array[]
  /** How many have their turn one after another; those that have it together are one. */
  readonly count: number
}

/** Who comes when by how far away they stand: those that stand as far away come together. */
const BY_DISTANCE: readonly Order[] = ['middle', 'ends', 'place']
/** Distances that differ by less than this share of the largest are one. */
const ALIKE = 1e-6

/**
 * The turns of the copies of patterns, all in one row: in their order those of one pattern come after those of the one before.
 *
 * By chance each has its own from 0 to 1, so that a copy more changes nobody else's; from the middle, from the ends or from a place those
 * that are as far away have their turn together; by rows and by parts all of one do.
 */
export function ranksOf(ordered: Ordered, casts: readonly Cast[]): Ranks {
  const { order, seed } = ordered
  const of = casts.map(({ table }) => new Float64Array(table.count).fill(-1))
  // Every copy by one number: where its pattern's begin, and its row.
  const begins = new Uint32Array(casts.length + 1)
  for (const [i, { table }] of casts.entries()) begins[i + 1] = begins[i] + table.count
  const present: number[] = []
  for (const [i, cast] of casts.entries())
    for (let row = 0; row < cast.table.count; row++) if (takesPart(cast, row)) present.push(begins[i] + row)
  if (order === 'chance') {
    for (const [i, { table, name }] of casts.entries()) {
      const random = new Randomness(seed, name, 'motion')
      for (let row = 0; row < table.count; row++)
        if (takesPart(casts[i], row)) of[i][row] = random.value(table.slotLow[row], table.slotHigh[row], 0)
    }
    return { of, count: present.length }
  }
  const keys = keysOf(ordered, casts, begins)
  const sorted = present.toSorted((a, b) => keys[a] - keys[b])
  const near = (BY_DISTANCE.includes(order) ? ALIKE : 0) * Math.abs(keys[sorted.at(order === 'ends' ? 0 : -1)!])
  let [rank, last] = [-1, -Infinity]
  for (const k of sorted) {
    if (keys[k] - last > near) {
      rank++
      last = keys[k]
    }
    const i = begins.findLastIndex((begin) => begin <= k)
    of[i][k - begins[i]] = rank
  }
  return { of, count: rank + 1 }
}

/** What copies are sorted by, by their numbers among all; of some use only for those that take part. */
function keysOf({ order, near }: Ordered, casts: readonly Cast[], begins: Uint32Array): Float64Array {
  const keys = new Float64Array(begins[casts.length])
  const each = (key: (table: InstanceTable, row: number, k: number) => number): Float64Array => {
    for (const [i, { table }] of casts.entries())
      for (let row = 0; row < table.count; row++) keys[begins[i] + row] = key(table, row, begins[i] + row)
    return keys
  }
  switch (order) {
    case 'theirs':
    case 'chance':
      return each((_, __, k) => k)
    case 'backwards':
      return each((_, __, k) => -k)
    // Images stand in no row: they come after all that do, together.
    case 'rows':
      return each(({ slotLow, slotHigh }, row) =>
        isImage(slotHigh[row]) ? 2 ** 21 : gridPlaceOf(slotLow[row], slotHigh[row])[1],
      )
    case 'parts':
      return each(({ thing }, row) => thing[row])
    case 'place':
    case 'middle':
    case 'ends': {
      const [x, y, z] = order === 'place' ? near : middleOf(casts)
      const sign = order === 'ends' ? -1 : 1
      for (const [i, cast] of casts.entries())
        for (let row = 0; row < cast.table.count; row++) {
          const at = placeThere(cast, cast.table.moveOf(row))
          keys[begins[i] + row] = sign * Math.hypot(at[0] - x, at[1] - y, at[2] - z)
        }
      return keys
    }
  }
}

/** The middle of the box about the places of all that take part. */
function middleOf(casts: readonly Cast[]): Vec3 {
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ]
  for (const cast of casts)
    for (let row = 0; row < cast.table.count; row++) {
      if (!takesPart(cast, row)) continue
      const at = placeThere(cast, cast.table.moveOf(row))
      for (let i = 0; i < 3; i++) {
        low[i] = Math.min(low[i], at[i])
        high[i] = Math.max(high[i], at[i])
      }
    }
  return low.map((n, i) => (n + high[i]) / 2) as Vec3
}
