import { type Option, type Template, sentenceOf } from '../sentences/nodes'
import { type Edge, faceWords } from './edges'
import type { LineUp } from './lineUp'

const say = sentenceOf<LineUp>()
const names = ['across', 'up', 'deep'] as const

/** @param many of several things, or of the one that leads */
const edgeOptions = (axis: LineUp['axis'], many: boolean): Option[] => {
  const s = many ? 's' : ''
  const inside = [
    { value: 'middle', words: `middle${s}` },
    { value: 'pivot', words: `pivot${s}` },
  ]
  if (axis === 'all') return inside
  const [low, high] = faceWords[axis]
  return [
    { value: 'low', words: `${low} face${s}` },
    { value: 'middle', words: `middle${s}` },
    { value: 'high', words: `${high} face${s}` },
    { value: 'pivot', words: `pivot${s}` },
  ]
}
const axisOf = ({ axis }: LineUp): string => (axis === 'all' ? axis : names[axis])
const inside = (edge: Edge): Edge => (edge === 'low' || edge === 'high' ? 'middle' : edge)

/**
 * Brings what was named of these to what was named of another thing.
 *
 * @param isOne whether one thing alone is picked
 */
export const lineUpSentence = (isOne: boolean): Template<LineUp> => [
  isOne ? 'Line up its ' : 'Line up their ',
  say.choice('theirs', {
    label: 'What of these',
    options: ({ axis }) => edgeOptions(axis, !isOne),
  }),
  ' with ',
  say.when(
    ({ to }) => to !== 'plane',
    [
      'the ',
      say.choice('its', {
        label: 'What of that one',
        options: ({ axis }) => edgeOptions(axis, false),
      }),
      ' of ',
    ],
  ),
  say.choice('to', {
    label: 'With what',
    options: [
      { value: 'marked', words: 'the marked one' },
      { value: 'widest', words: 'the widest' },
      { value: 'thing', words: 'a thing', note: 'click it on the stage', asks: 'thing to line up with' },
      { value: 'bounds', words: 'the bounds of all' },
      { value: 'plane', words: 'the plane' },
    ],
    write(how, to) {
      how.to = to as LineUp['to']
      if (how.to === 'plane') how.apart = 0
    },
  }),
  say.when(
    ({ to }) => to === 'plane',
    [' at ', say.number('at', { label: 'Plane at', quantity: 'length', state: 'free' })],
  ),
  ', ',
  say.choice(axisOf, {
    label: 'Axis',
    options: [...names.map((name) => ({ value: name, words: name })), { value: 'all', words: 'along all three' }],
    write(how, to) {
      how.axis = to === 'all' ? to : (names.findIndex((name) => name === to) as 0 | 1 | 2)
      if (how.axis === 'all') [how.theirs, how.its] = [inside(how.theirs), inside(how.its)]
    },
  }),
  ', ',
  say.number('apart', { label: 'Apart', quantity: 'length', state: 'free' }),
  ' apart',
  say.clause(
    ({ turns }) => !turns,
    [
      ', turned ',
      say.choice('turns', {
        label: 'Turned',
        options: [
          { value: 'false', words: 'as they are' },
          { value: 'true', words: 'as that one is' },
        ],
        write: (how, to) => void (how.turns = to === 'true'),
      }),
    ],
  ),
  say.clause(
    ({ sizes }) => !sizes,
    [
      ', ',
      say.choice('sizes', {
        label: 'Sized',
        options: [
          { value: 'false', words: 'as large as they are' },
          { value: 'true', words: 'as large as that one', note: 'along its own axes' },
        ],
        write: (how, to) => void (how.sizes = to === 'true'),
      }),
    ],
  ),
  '.',
]
