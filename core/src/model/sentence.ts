import { wholeFrom } from '../sentences/checks'
import { type Template, along, sentenceOf, yesNo } from '../sentences/nodes'
import type { Pattern, Place } from './pattern'

const say = sentenceOf<Pattern>()
const own = sentenceOf<Place>()
const isAtOrigin = ({ move }: Place): boolean => move.every((n) => n === 0)
/** The turns in the order in which they are said. */
const turns = [
  ['up', 1],
  ['across', 0],
  ['deep', 2],
] as const

/** Where a pattern's own axes lie, in figures: everything that its pins do by dragging. */
export const placeSentence: Template<Pattern> = [
  say.within(
    ({ place }) => place,
    [
      'It starts at ',
      own.where(isAtOrigin, ['the origin']),
      own.clause(isAtOrigin, [
        own.where(isAtOrigin, [': ']),
        ...along<Place>(['across', 'up', 'deep'], ({ move }) => move, {
          label: (axis) => `Start ${axis}`,
          undo: 'place',
          quantity: 'length',
        }),
      ]),
      ...turns.map(([name, axis]) =>
        own.clause(
          ({ turn }) => turn[axis] === 0,
          [
            ', turned ',
            own.number(({ turn }) => turn[axis], {
              label: `Turn about ${name}`,
              undo: 'turn',
              quantity: 'angle',
              state: 'free',
              write: ({ turn }, to) => void (turn[axis] = to),
            }),
            ` about ${name}`,
          ],
        ),
      ),
      '.',
    ],
  ),
]

/** What else is said of a pattern where its whole text stands. */
export const otherSentence: Template<Pattern> = [
  say.when(
    ({ seed }) => seed !== undefined,
    [
      'One seed for all that is left to chance: ',
      say.number(({ seed }) => seed ?? 0, {
        label: 'Seed for all',
        undo: 'seed',
        quantity: 'count',
        check: wholeFrom(0, 0xffffffff),
        write: (pattern, to) => void (pattern.seed = to),
      }),
      '. ',
    ],
    (pattern) => void (pattern.seed ??= 0),
  ),
  say.clause(
    ({ hidden }) => !hidden,
    [
      'It is ',
      say.choice('hidden', {
        label: 'Hidden',
        options: yesNo('hidden', 'shown'),
        write: (pattern, to) => void (pattern.hidden = to === 'true'),
      }),
      '. ',
    ],
  ),
  say.when(
    isTouched,
    [
      'By hand: ',
      say.reference({
        label: 'Touch-ups',
        says: ({ touchUps }) => [{ count: Object.keys(touchUps).length }, ' touched up'],
        take: (pattern, from) => {
          pattern.touchUps = from.touchUps
          if (from.fits) pattern.fits = from.fits
          if (from.plain) pattern.plain = from.plain
        },
      }),
      '. ',
    ],
    () => undefined,
  ),
]

/** Whether anything about it was settled copy by copy, or part by part. */
function isTouched({ touchUps, fits, plain }: Pattern): boolean {
  return Object.keys(touchUps).length > 0 || fits !== undefined || (plain?.length ?? 0) > 0
}
