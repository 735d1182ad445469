import type { Order } from './ranks'

/** Who comes when, in words. */
export const orderWords: Record<Order, string> = {
  theirs: 'in their order',
  backwards: 'backwards',
  middle: 'from the middle',
  ends: 'from the ends',
  rows: 'row by row',
  parts: 'part by part',
  chance: 'at random',
}
export const orderOptions = Object.entries(orderWords).map(([value, words]) => ({ value, words }))
