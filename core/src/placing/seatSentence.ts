import { type Template, sentenceOf } from '../sentences/nodes'
import type { Seat } from './seat'

const say = sentenceOf<Seat>()

/**
 * Puts picked things onto a face.
 *
 * @param isOne whether one thing alone is picked
 */
export const seatSentence = (isOne: boolean): Template<Seat> => [
  isOne ? 'Put it with its ' : 'Put them with the ',
  say.choice('by', {
    label: 'What of it',
    options: [
      { value: 'base', words: 'base' },
      { value: 'pivot', words: 'pivot' },
    ],
  }),
  isOne ? ' on ' : ' of the marked one on ',
  say.choice(() => 'face', {
    label: 'Face',
    options: [
      { value: 'face', words: 'the clicked face' },
      { value: 'other', words: 'another face', note: 'click it on the stage', asks: 'face to stand on' },
    ],
    write: () => undefined,
  }),
  ', ',
  say.choice('stands', {
    label: 'How it stands',
    options: [
      { value: 'upright', words: 'turned as it is' },
      { value: 'normal', words: 'along the normal' },
      { value: 'limit', words: 'towards the normal, up to' },
    ],
  }),
  say.when(
    ({ stands }) => stands === 'limit',
    [' ', say.number('limit', { label: 'Up to', quantity: 'angle', state: 'free' })],
  ),
  ', ',
  say.number('apart', { label: 'Above it', quantity: 'length', state: 'free' }),
  ' above it.',
]
