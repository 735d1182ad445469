import { LONGEST_MOTION } from '../../limits'
import { wholeFrom } from '../../sentences/checks'
import { type Template, sentenceOf } from '../../sentences/nodes'
import { easingWords } from '../easingWords'
import type { CameraKey } from './schema'

const say = sentenceOf<CameraKey>()

/** One place of the camera, and how it gets there. */
export const cameraSentence: Template<CameraKey> = [
  'By ',
  say.number('at', {
    label: 'Camera by',
    undo: 'time of the camera',
    quantity: 'time',
    check: (n) =>
      n >= 0 && n <= LONGEST_MOTION ? undefined : ['Type a time from 0 to ', { time: LONGEST_MOTION }, '.'],
  }),
  ' it looks from ',
  say.choice('view', {
    label: 'View of the camera',
    undo: 'view of the camera',
    options: (_, { project }) => project.views.map(({ id, name }) => ({ value: id, words: '', name })),
  }),
  say.clause(
    ({ turns }) => turns === 0,
    [
      ', going round ',
      say.number('turns', {
        label: 'Times round',
        undo: 'turns',
        quantity: 'count',
        state: 'free',
        check: wholeFrom(-20, 20),
      }),
      ' times',
    ],
  ),
  ', ',
  ...easingWords<CameraKey>(' of the camera'),
  '.',
]
