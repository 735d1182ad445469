import { type Node, type Option, along, sentenceOf } from '../sentences/nodes'
import type { Order, Ordered } from './ranks'

/** Who comes when, in words. */
export const orderWords: Record<Order, string> = {
  theirs: 'in their order',
  backwards: 'backwards',
  middle: 'from the middle',
  ends: 'from the ends',
  place: 'outward from a place',
  rows: 'row by row',
  parts: 'part by part',
  chance: 'at random',
}
export const orderOptions: readonly Option[] = Object.entries(orderWords).map(([value, words]) => ({
  value,
  words,
  ...(value === 'place' && { note: 'click it on the stage, or type it', asks: 'near' }),
}))

/** The place from which copies come outward, where they do. */
export function nearWords<T extends Ordered>(): Node<T> {
  const say = sentenceOf<T>()
  return say.when(
    ({ order }) => order === 'place',
    [
      ' at ',
      ...along<T>(['across', 'up', 'deep'], ({ near }) => near, {
        label: (axis) => `Outward from, ${axis}`,
        undo: () => 'place from which they come',
        quantity: 'length',
      }),
    ],
  )
}
