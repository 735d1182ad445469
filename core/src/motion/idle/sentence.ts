import { aSeed } from '../../sentences/checks'
import { type Template, sentenceOf } from '../../sentences/nodes'
import { axes } from '../../values/values'
import { nearWords, orderOptions } from '../orderWords'
import type { Idle } from './schema'

const say = sentenceOf<Idle>()

export const idleSentence: Template<Idle> = [
  'Each ',
  say.choice('way', {
    label: 'Idle',
    options: [
      { value: 'turn', words: 'turns' },
      { value: 'sway', words: 'sways' },
      { value: 'bob', words: 'bobs' },
    ],
  }),
  say.when(
    ({ way }) => way === 'sway',
    [' by ', say.number('angle', { label: 'Sway', undo: 'sway', quantity: 'angle' }), ' to either side'],
  ),
  say.when(
    ({ way }) => way === 'bob',
    [' by ', say.number('distance', { label: 'Bob', undo: 'bob', quantity: 'length' }), ' to either side'],
  ),
  ' ',
  say.said(({ way }) => (way === 'bob' ? 'along' : 'about'), 'along', 'about'),
  ' ',
  say.choice('axis', { label: 'Axis', options: axes.map((value) => ({ value, words: value })) }),
  ', once in ',
  say.number('once', {
    label: 'Once in',
    undo: 'time of a round',
    quantity: 'time',
    check: (n) =>
      n >= 0.01 && n <= 3600 ? undefined : ['Type a time from ', { time: 0.01 }, ' to ', { time: 3600 }, '.'],
  }),
  ', ',
  say.choice('order', { label: 'Order in time', options: orderOptions }),
  nearWords<Idle>(),
  say.when(
    ({ order }) => order !== 'chance',
    [
      ', ',
      say.number('behind', { label: 'Behind', undo: 'how far behind', quantity: 'share', state: 'free' }),
      ' of a round behind the one before',
    ],
  ),
  say.when(
    ({ order }) => order === 'chance',
    [', seed ', say.number('seed', { label: 'Seed', quantity: 'count', check: aSeed, state: 'free' })],
  ),
  '.',
]
