import { type Node, along, sentenceOf } from '../sentences/nodes'
import type { Vec3 } from '../values/values'

interface Lying {
  move: Vec3
  turn: number
}

/** Where something under the arrangement is, and how it is turned. */
export function placeWords<T extends Lying>(begins: string): Node<T>[] {
  const say = sentenceOf<T>()
  return [
    `${begins} at `,
    ...along<T>(['across', 'up', 'deep'], ({ move }) => move, {
      label: (axis) => `Place ${axis}`,
      quantity: 'length',
      undo: () => 'place',
    }),
    say.clause(
      ({ turn }) => turn === 0,
      [
        ', turned ',
        say.number(({ turn }) => turn, {
          label: 'Turn',
          quantity: 'angle',
          state: 'free',
          write: (lying, to) => void (lying.turn = to),
        }),
      ],
    ),
    '.',
  ]
}
