import { fromTurns } from '../geometry/rotation'
import type { Placing } from '../instances'
import type { Quantity } from '../numbers/units'
import { type Vec3, axes } from '../values/values'
import type { LedgerCopy } from './ledger'

/** One column of the ledger. A new one is an entry of the list below. */
export interface LedgerColumn {
  readonly key: string
  readonly words: string
  /** What its numbers are; text where it is absent. */
  readonly quantity?: Quantity
  /** In metres, radians, factors of full size. */
  read(copy: LedgerCopy): number | string
  /** Where a copy is to stand for which another number is typed; what cannot be typed has none. */
  placed?(copy: LedgerCopy, to: number): Placing
  /** Not shown at first. */
  readonly aside?: true
}

const at = (values: Readonly<Vec3>, axis: number, to: number): Vec3 =>
  values.map((n, i) => (i === axis ? to : n)) as Vec3

const moves = axes.map((axis, i): LedgerColumn => ({
  key: `move-${axis}`,
  words: axis[0].toUpperCase() + axis.slice(1),
  quantity: 'length',
  read: ({ stands }) => stands.move[i],
  placed: ({ stands }, to) => ({ ...stands, move: at(stands.move, i, to) }),
}))

const turns = axes.map((axis, i): LedgerColumn => ({
  key: `turn-${axis}`,
  words: `About ${axis}`,
  quantity: 'angle',
  read: (copy) => copy.turns[i],
  placed: ({ stands, turns: now }, to) => ({ ...stands, turn: fromTurns(at(now, i, to)) }),
  ...(axis !== 'up' && { aside: true as const }),
}))

const sizes = axes.map((axis, i): LedgerColumn => ({
  key: `size-${axis}`,
  words: `Size ${axis}`,
  quantity: 'share',
  read: ({ stands }) => stands.size[i],
  placed: ({ stands }, to) => ({ ...stands, size: at(stands.size, i, to) }),
  aside: true,
}))

/** Every column, in the order in which they stand. */
export const ledgerColumns: readonly LedgerColumn[] = [
  { key: 'pattern', words: 'Pattern', read: ({ pattern }) => pattern.name },
  { key: 'number', words: 'No.', quantity: 'count', read: ({ number }) => number },
  { key: 'part', words: 'Part', read: ({ thing }) => thing.name },
  ...moves,
  ...turns,
  {
    key: 'size',
    words: 'Size',
    quantity: 'share',
    // By volume: what is twice as wide and half as tall is as large.
    read: ({ stands: { size } }) => Math.cbrt(size[0] * size[1] * size[2]),
    placed: ({ stands }, to) => {
      const by = to / Math.cbrt(stands.size[0] * stands.size[1] * stands.size[2])
      return { ...stands, size: stands.size.map((n) => n * by) as Vec3 }
    },
  },
  ...sizes,
  { key: 'color', words: 'Colour', read: ({ color }) => color ?? '', aside: true },
  {
    key: 'nearest',
    words: 'Nearest gap',
    quantity: 'length',
    read: ({ nearest }) => nearest ?? '',
    aside: true,
  },
  { key: 'marks', words: 'Marks', read: ({ marks }) => marks.join(', ') },
]
