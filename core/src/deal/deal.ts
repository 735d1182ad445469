import type { Deal } from '../model/pattern'
import type { Outline } from '../spacing/row'
import { type Row, rowInTurn } from '../spacing/row'

/**
 * Which part each copy of a pattern gets, before anything is placed: gaps need to know the parts.
 */
export interface Dealt {
  /** Part indices that repeat along the copies: copy k gets `turn[k % turn.length]`. */
  readonly turn: Uint32Array
  /** The copies as a row, each kind of part by its outline along a direction. */
  row(outlineOf: (part: number) => Outline): Row
}

/** Deals a pattern's parts in turn. `indexOf` counts a part's id into the project's parts. */
export function dealParts(deal: Deal, indexOf: (id: string) => number): Dealt {
  const turn = Uint32Array.from(deal.parts, indexOf)
  return { turn, row: (outlineOf) => rowInTurn(Array.from(turn, outlineOf)) }
}
