import { type Template, joint, sentenceOf } from '../sentences/nodes'
import type { Sentence } from '../words'
import type { Motion } from './motion'

const say = sentenceOf<Motion>()
const names = ['across', 'up', 'deep'] as const
const three = [0, 1, 2] as const
const isSized = ({ size }: Motion): boolean => size.some((n) => n !== 1)
const isEven = ({ size }: Motion): boolean => size.every((n) => n === size[0])
const moreThan0 = (to: number): Sentence | undefined =>
  to > 0 ? undefined : ['A size is more than 0: type 100 % for their own.']

/**
 * Moves, turns and sizes picked things by figures; what a drag of a pin comes to is said by it too, and typed again.
 *
 * @param isOne whether one thing alone is picked
 */
export const motionSentence = (isOne: boolean): Template<Motion> => [
  isOne ? 'Move it ' : 'Move them ',
  ...three.flatMap((i) => [
    ...(i > 0 ? [joint(i === 2 ? ' and ' : ', ')] : []),
    say.number(({ by }) => by[i], {
      label: `By ${names[i]}`,
      quantity: 'length',
      state: 'free',
      write: ({ by }, to) => void (by[i] = to),
    }),
    ` ${names[i]}`,
  ]),
  ...three.map((i) =>
    say.clause(
      ({ turn }) => turn[i] === 0,
      [
        isOne ? '; turn it ' : '; turn them ',
        say.number(({ turn }) => turn[i], {
          label: `Turn by, about ${names[i]}`,
          quantity: 'angle',
          state: 'free',
          write: ({ turn }, to) => void (turn[i] = to),
        }),
        ` about ${names[i]}`,
      ],
    ),
  ),
  say.clause(
    (how) => !isSized(how),
    [
      isOne ? '; size it ' : '; size them ',
      say.when(isEven, [
        say.number(({ size }) => size[0], {
          label: 'Size by',
          quantity: 'share',
          state: 'free',
          check: moreThan0,
          write: ({ size }, to) => void size.fill(to),
        }),
      ]),
      say.clause(isEven, [
        say.when(isEven, [', or ']),
        ...three.flatMap((i) => [
          ...(i > 0 ? [joint(i === 2 ? ' and ' : ', ')] : []),
          say.number(({ size }) => size[i], {
            label: `Size by, ${names[i]}`,
            quantity: 'share',
            state: 'free',
            check: moreThan0,
            write: ({ size }, to) => void (size[i] = to),
          }),
          ` ${names[i]}`,
        ]),
      ]),
      ', so that the ',
      say.choice('from', {
        label: 'Sized from',
        options: [
          { value: 'base', words: 'base' },
          { value: 'centre', words: 'centre' },
          { value: 'top', words: 'top' },
          { value: 'pivot', words: 'pivot' },
        ],
      }),
      ' stays',
    ],
  ),
  say.clause(
    ({ about }) => about === 'own',
    [
      '; about ',
      say.choice('about', {
        label: 'About',
        options: [
          { value: 'own', words: isOne ? 'its own pivot' : 'each its own pivot' },
          { value: 'middle', words: isOne ? 'its middle' : 'their middle' },
          { value: 'marked', words: 'the marked one' },
          { value: 'origin', words: 'the origin' },
          { value: 'place', words: 'a place', note: 'click it on the stage', asks: 'place to go about' },
        ],
      }),
    ],
  ),
  say.clause(
    ({ axes }) => axes === 'world',
    [
      ', along ',
      say.choice('axes', {
        label: 'Axes',
        options: [
          { value: 'world', words: 'the axes of the world' },
          { value: 'own', words: isOne ? 'its own axes' : 'their own axes' },
        ],
      }),
    ],
  ),
  '.',
]
