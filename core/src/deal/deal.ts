import type { InstanceTable } from '../instances'
import type { Deal } from './schema'
import { Randomness } from '../random'
import { gridPlaceOf, gridSlotHigh, gridSlotLow } from '../slots'
import { type Extent, type Row, rowBetweenEnds, rowInTurn, rowOf } from '../spacing/row'
import { pickByWeight } from './weights'

/** Which part each copy of a pattern gets, before anything is placed: gaps need to know the parts. */
export interface Dealt {
  /** Everything that may be dealt, each once. */
  readonly things: Uint32Array
  /** After so many copies the things repeat from the first; Infinity where they do not. */
  readonly period: number
  /** The thing of one copy, by its number among so many and by its slot. */
  thingAt(index: number, count: number, slotLow: number, slotHigh: number): number
  /** The copies of one lane (a row of a grid, a ring, a contour) as a row, each kind of thing by its outline along a direction. */
  row(outlineOf: (thing: number) => Extent, lane?: number): Row
  /** Gives the copies of a table their things. */
  deal(table: InstanceTable): void
}

export interface DealContext {
  /** Counts an id into the project's things. */
  readonly thingOf: (id: string) => number
  /** The variants of a part, by their ids. */
  readonly variantsOf: (id: string) => readonly string[]
  /** How a thing is called. */
  readonly nameOf: (id: string) => string
  /** The id under which a part's chances are drawn. */
  readonly chancesOf: (id: string) => string
}

/**
 * Deals the things of a pattern. What is dealt at random belongs to its copy: a copy more, or a thing more in the list,
 * leaves what the others have (a new thing only takes copies).
 *
 * @param patternId the id under which the pattern's chances are drawn
 */
export function dealParts(
  deal: Deal,
  patternId: string,
  { thingOf, variantsOf, nameOf, chancesOf }: DealContext,
): Dealt {
  const families = deal.parts.map((id) => familyOf(id, deal.variants, { variantsOf, nameOf }))
  const ids = [...new Set(families.flat())]
  const things = Uint32Array.from(ids, thingOf)
  const pick = picker(deal, patternId)
  const pickVariant = new Randomness(0, patternId, 'variants')
  const lots = families.map((family) => apart(family, chancesOf))
  const plain = families.every((family) => family.length === 1)
  const turn = plain ? turnOf(deal) : undefined
  const turned = turn && Uint32Array.from(turn, (i) => thingOf(families[i][0]))

  const thingAt = (index: number, count: number, low: number, high: number): number => {
    if (turned) return turned[index % turned.length]
    const place = pick(index, count, low, high)
    const family = families[place]
    if (family.length === 1) return thingOf(family[0])
    if (deal.variants === 'inTurn') return thingOf(family[index % family.length])
    return thingOf(family[pickByWeight(lots[place], undefined, pickVariant, low, high)])
  }
  const row = (outlineOf: (thing: number) => Extent, lane = 0): Row => {
    if (turned) return rowInTurn(Array.from(turned, outlineOf))
    if (deal.kind === 'ends' && plain) {
      const [first, middle, last] = families.map(([id]) => outlineOf(thingOf(id)))
      return rowBetweenEnds(first, middle, last)
    }
    const places = new Map(Array.from(things, (thing, i) => [thing, i]))
    return rowOf(Array.from(things, outlineOf), (k) =>
      places.get(thingAt(k, Infinity, gridSlotLow(k, lane), gridSlotHigh(lane, 0)))!,
    )
  }
  return {
    things,
    period: turned?.length ?? Infinity,
    thingAt,
    row,
    deal(table) {
      const { thing, slotLow, slotHigh, count } = table
      if (!turned) for (let k = 0; k < count; k++) thing[k] = thingAt(k, count, slotLow[k], slotHigh[k])
      else
        for (let k = 0, j = 0; k < count; k++) {
          thing[k] = turned[j]
          if (++j === turned.length) j = 0
        }
    },
  }
}

/** The things for which one of the list stands: the first that is called so where a name is asked for, itself where none is. */
function familyOf(
  id: string,
  variants: Deal['variants'],
  { variantsOf, nameOf }: Pick<DealContext, 'variantsOf' | 'nameOf'>,
): string[] {
  if (!variants) return [id]
  const family = [id, ...variantsOf(id)]
  if (typeof variants === 'string') return family
  const called = variants.called.toLowerCase()
  return [family.find((one) => nameOf(one).toLowerCase().includes(called)) ?? id]
}

/** A deal that repeats, as the places of its list that follow each other; undefined for one that does not. */
function turnOf(deal: Deal): readonly number[] | undefined {
  if (deal.kind === 'inTurn' || deal.parts.length === 1) return deal.parts.map((_, i) => i)
  if (deal.kind === 'nth')
    return Array.from({ length: deal.every }, (_, k) => (k === (deal.from - 1) % deal.every ? 1 : 0))
  return undefined
}

/** The ids under which some are drawn; who would share another's is drawn under its own. */
function apart(ids: readonly string[], chancesOf: (id: string) => string): string[] {
  const all = ids.map(chancesOf)
  return all.map((chances, i) => (all.indexOf(chances) === i ? chances : ids[i]))
}

/** Which place of the list a copy is given. */
function picker(deal: Deal, patternId: string): (index: number, count: number, low: number, high: number) => number {
  if (deal.kind === 'random') {
    const random = new Randomness(deal.seed, patternId, 'deal')
    const lots = deal.lots ?? deal.parts
    return (_, __, low, high) => pickByWeight(lots, deal.weights, random, low, high)
  }
  if (deal.kind === 'by') {
    const which = { column: 0, row: 1, ring: 1, layer: 2 }[deal.by]
    return (_, __, low, high) => gridPlaceOf(low, high)[which] % deal.parts.length
  }
  if (deal.kind === 'ends') return (index, count) => (index === 0 ? 0 : index === count - 1 ? 2 : 1)
  const turn = turnOf(deal) ?? [0]
  return (index) => turn[index % turn.length]
}
