import { wholeFrom } from '../sentences/checks'
import { type Template, sentenceOf } from '../sentences/nodes'
import type { Sentence } from '../words'

/** What is drawn: one moment, all moments, or one moment from all round. */
export const pictureKinds = ['still', 'moving', 'round'] as const
export type PictureKind = (typeof pictureKinds)[number]
/** What several pictures are written as. */
export const movingFormats = ['webm', 'mp4', 'zip'] as const
export type MovingFormat = (typeof movingFormats)[number]

/** A picture that is wanted, as its sentence says it. */
export interface PictureWish {
  kind: PictureKind
  /** In pixels. */
  width: number
  height: number
  on: 'paper' | 'nothing'
  /** A kept view by its id, the stage as it was last seen, the camera, or all of it as the stage first shows it. */
  view: 'all' | 'stage' | 'camera' | (string & {})
  /** The moment of a still one, in seconds. */
  moment: number
  format: MovingFormat
}

/** So large a still picture is at the most, and a moving one, in pixels to a side. */
export const MOST_STILL = 16_384
export const MOST_MOVING = 4096

const say = sentenceOf<PictureWish>()
const isMoving = ({ kind }: PictureWish): boolean => kind !== 'still'

function side(n: number, { kind, format }: PictureWish): Sentence | undefined {
  const wrong = wholeFrom(kind === 'still' ? 1 : 2, kind === 'still' ? MOST_STILL : MOST_MOVING)(n)
  if (wrong) return wrong
  if (kind !== 'still' && format !== 'zip' && n % 2 === 1)
    return [
      'A moving picture has sides of an even number of pixels. Type ',
      { count: n + 1 },
      ', or choose pictures in a ZIP.',
    ]
  return undefined
}

/**
 * @param moves whether anything moves: there are moments to choose from then
 * @param hasStage whether the stage was seen before
 * @param formats those that can be written here
 */
export const pictureSentence = (
  moves: boolean,
  hasStage: boolean,
  formats: readonly MovingFormat[],
): Template<PictureWish> => [
  'Draw ',
  say.choice('kind', {
    label: 'What is drawn',
    options: [
      { value: 'still', words: 'a picture' },
      ...(moves ? [{ value: 'moving', words: 'a moving picture' }] : []),
      { value: 'round', words: 'a turntable', note: 'once round the arrangement in the length of its motion' },
    ],
  }),
  ' of ',
  say.number('width', { label: 'Width', quantity: 'count', state: 'free', check: side }),
  ' by ',
  say.number('height', { label: 'Height', quantity: 'count', state: 'free', check: side }),
  ' pixels, ',
  say.when(
    (wish) => !isMoving(wish) || wish.format === 'zip',
    [
      say.choice('on', {
        label: 'On',
        options: [
          { value: 'paper', words: 'on paper' },
          { value: 'nothing', words: 'on nothing', note: 'what is not covered can be seen through' },
        ],
      }),
      ', ',
    ],
  ),
  'seen ',
  say.choice('view', {
    label: 'Seen',
    options: (_, { project }) => [
      { value: 'all', words: 'whole, from the front' },
      ...(hasStage ? [{ value: 'stage', words: 'as the stage was last seen' }] : []),
      ...(project.camera.length > 0
        ? [{ value: 'camera', words: 'through the camera', note: 'which goes from view to view' }]
        : []),
      ...project.views.map(({ id, name }) => ({ value: id, words: 'from ', name })),
    ],
  }),
  ...(moves
    ? [
        say.when(
          (wish) => wish.kind !== 'moving',
          [
            ', at ',
            say.number('moment', {
              label: 'Moment of the picture',
              quantity: 'time',
              state: 'free',
              check: (n) => (n >= 0 ? undefined : ['A moment is 0 s or later.']),
            }),
          ],
        ),
      ]
    : []),
  say.when(isMoving, [
    ', as ',
    say.choice('format', {
      label: 'Written as',
      options: [
        { value: 'webm', words: 'WebM' },
        { value: 'mp4', words: 'MP4' },
        { value: 'zip', words: 'PNGs in a ZIP', note: 'without loss, each picture by its number' },
      ].filter(({ value }) => formats.some((format) => format === value)),
    }),
  ]),
  '.',
]
