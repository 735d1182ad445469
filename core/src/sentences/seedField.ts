import { aSeed } from './checks'
import type { Node } from './nodes'

/** The seed of one thing that is left to chance. In a pattern, one for all that is left to chance there may take its place. */
export const seedField = <T>(
  label: string,
  read: (value: T) => number,
  write: (value: T, to: number) => void,
  undo?: string,
): Node<T>[] => [
  'seed ',
  {
    is: 'number',
    label,
    ...(undo && { undo }),
    quantity: () => 'count',
    state: () => 'held',
    isSeed: true,
    check: aSeed,
    read,
    write,
  },
]
