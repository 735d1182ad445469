import { LONGEST_MOTION } from '../../limits'
import { aSeed } from '../../sentences/checks'
import { type Surroundings, type Template, along, sentenceOf } from '../../sentences/nodes'
import { axes } from '../../values/values'
import { easingWords } from '../easingWords'
import { nearWords, orderOptions } from '../orderWords'
import { ranksOf } from '../ranks'
import { letGo } from '../../spacing/hold'
import { type TimingKey, holdTime, timed, timingKeys, workedOf } from '../timing'
import { type Arrive, comeFrom } from './schema'

const say = sentenceOf<Arrive>()
/** What a tint begins with: as though it came out of the paper. */
const PAPER = '#faf7f1'
const fromWords = {
  below: 'below',
  above: 'above',
  left: 'to the left',
  right: 'to the right',
  front: 'in front',
  behind: 'behind',
  path: 'back along the path',
  place: 'a place',
}
const fromOptions = comeFrom.map((value) => ({
  value,
  words: fromWords[value],
  ...(value === 'place' && { note: 'click it on the stage, or type it', asks: 'place' }),
}))
const aTime = (n: number) =>
  n >= 0 && n <= LONGEST_MOTION ? undefined : (['Type a time from 0 to ', { time: LONGEST_MOTION }, '.'] as const)

/** One of apart, each and in all: what is held as it was typed, the third as it comes out. */
const time = (key: TimingKey, label: string) =>
  say.number(key, {
    label,
    undo: label.toLowerCase(),
    quantity: 'time',
    state: (arrive) => (workedOf(arrive) === key ? 'worked' : 'held'),
    shown: (arrive, around) => worked(arrive, around)?.[key],
    write: (arrive, to) => holdTime(arrive, key, to),
    letGo: (arrive) => letGo(arrive, key, timingKeys),
    check: aTime,
  })

/** How its times came out; where that is not said, by the copies of its own pattern. */
function worked(arrive: Arrive, { table, pattern, timed: came }: Surroundings) {
  if (came || !table || !pattern) return came
  const cast = { table, name: pattern.chances ?? pattern.id, track: () => undefined }
  const times = timed(arrive, ranksOf(arrive, [cast]).count)
  return times.ok ? times.value : undefined
}

export const arriveSentence: Template<Arrive> = [
  'They ',
  say.choice('way', {
    label: 'Arrive or leave',
    options: [
      { value: 'in', words: 'arrive' },
      { value: 'out', words: 'leave' },
    ],
  }),
  ' ',
  say.choice('order', {
    label: 'Order in time',
    options: orderOptions,
    write(arrive, to, around) {
      // By chance a copy more changes nobody else's beginning only where the whole is held.
      const inAll = to === 'chance' && workedOf(arrive) === 'inAll' ? worked(arrive, around)?.inAll : undefined
      if (inAll !== undefined) holdTime(arrive, 'inAll', inAll)
      if (arrive.hold.includes('apart') && inAll !== undefined) arrive.hold = ['each', 'inAll']
      arrive.order = to as Arrive['order']
    },
  }),
  nearWords<Arrive>(),
  say.when(
    ({ order }) => order === 'chance',
    [', seed ', say.number('seed', { label: 'Seed', quantity: 'count', check: aSeed, state: 'free' })],
  ),
  ', ',
  time('apart', 'Apart'),
  ' apart',
  ', in ',
  time('inAll', 'In all'),
  ', beginning at ',
  say.number('begin', { label: 'Beginning', undo: 'beginning', quantity: 'time', check: aTime }),
  '; each takes ',
  time('each', 'Each'),
  ...(['in', 'out'] as const).map((which) =>
    say.when(
      ({ way }) => way === which,
      [
        which === 'in' ? ', coming from ' : ', going to ',
        say.where(
          ({ from }) => from !== 'place',
          [say.number('distance', { label: 'Distance', undo: 'distance', quantity: 'length', check: notBelow }), ' '],
        ),
        say.choice('from', { label: 'Side', options: fromOptions }),
        say.when(
          ({ from }) => from === 'place',
          [
            ' at ',
            ...along<Arrive>(['across', 'up', 'deep'], ({ place }) => place, {
              label: (axis) => `Place, ${axis}`,
              undo: () => 'place',
              quantity: 'length',
            }),
          ],
        ),
      ],
    ),
  ),
  say.clause(
    ({ size }) => size === 1,
    [', in ', say.number('size', { label: 'Size', undo: 'size', quantity: 'share', check: aSize }), ' of its size'],
  ),
  say.clause(
    ({ turn }) => turn === 0,
    [
      ', turned ',
      say.number('turn', { label: 'Turn', undo: 'turn', quantity: 'angle', state: 'free' }),
      ' about ',
      say.choice('about', { label: 'About', options: axes.map((value) => ({ value, words: value })) }),
    ],
  ),
  say.clause(
    ({ tint }) => tint === undefined,
    [
      ', ',
      say.choice(({ tint }) => (tint === undefined ? 'own' : 'tinted'), {
        label: 'Colour as it comes',
        undo: 'colour',
        options: [
          { value: 'own', words: 'in its own colour' },
          { value: 'tinted', words: 'tinted', note: 'and takes on its own on the way; in pictures, not in files' },
        ],
        write(arrive, to) {
          if (to === 'tinted') arrive.tint ??= PAPER
          else delete arrive.tint
        },
      }),
      say.when(
        ({ tint }) => tint !== undefined,
        [
          ' ',
          say.color({
            label: 'Tint',
            undo: 'tint',
            read: ({ tint }) => tint ?? PAPER,
            write: (arrive, to) => void (arrive.tint = to),
          }),
        ],
      ),
    ],
  ),
  ', ',
  ...easingWords<Arrive>(),
  say.clause(
    ({ waits }) => !waits,
    [
      ', ',
      say.choice(({ waits }) => (waits ? 'waits' : 'hidden'), {
        label: 'Shown before',
        undo: 'whether it is shown before',
        options: ({ way }) => [
          { value: 'hidden', words: way === 'in' ? 'hidden until then' : 'hidden from then on' },
          { value: 'waits', words: way === 'in' ? 'shown before' : 'shown after' },
        ],
        write(arrive, to) {
          if (to === 'waits') arrive.waits = true
          else delete arrive.waits
        },
      }),
    ],
  ),
  '.',
]

function notBelow(n: number) {
  return n >= 0 ? undefined : (['A distance is 0 or more; choose another side instead.'] as const)
}
function aSize(n: number) {
  return n > 0 ? undefined : (['A size is more than 0.'] as const)
}
