import type { Deal } from './schema'

/** Moves a part of a deal's list to another place, with its weight and its lot. Changes the deal in place. */
export function movePart(deal: Deal, from: number, to: number): void {
  for (const list of listsOf(deal)) list.splice(to, 0, ...list.splice(from, 1))
}

/** Takes a part out of a deal's list. Changes the deal in place. */
export function dropPart(deal: Deal, at: number): void {
  for (const list of listsOf(deal)) list.splice(at, 1)
}

/** Adds a part at the end of a deal's list; one that is dealt at random already stays as it is. Changes the deal in place. */
export function addPart(deal: Deal, id: string): void {
  if (deal.kind === 'random') {
    if (deal.parts.includes(id)) return
    deal.weights.push(1)
    // A part that came in place of another may draw the lot of this one.
    deal.lots?.push(deal.lots.includes(id) ? freeLot(deal.lots, id) : id)
  }
  deal.parts.push(id)
}

const listsOf = (deal: Deal): unknown[][] =>
  deal.kind === 'random' ? [deal.parts, deal.weights, ...(deal.lots ? [deal.lots] : [])] : [deal.parts]

function freeLot(lots: readonly string[], id: string): string {
  let n = 2
  while (lots.includes(`${id.slice(0, 32)}-${n}`)) n++
  return `${id.slice(0, 32)}-${n}`
}

/**
 * A deal in which each part keeps the lot that it draws, whatever part stands in its place afterwards: to be asked for before
 * parts are replaced, so that a swap at random moves no other copy.
 */
export const withLots = (deal: Deal): Deal =>
  deal.kind === 'random' && !deal.lots ? { ...deal, lots: [...deal.parts] } : deal
