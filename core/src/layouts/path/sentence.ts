import { curveSentence } from '../../curves/sentence'
import { notBelowZero } from '../../sentences/checks'
import { type Node, type Surroundings, type Template, sentenceOf, things, yesNo } from '../../sentences/nodes'
import { endsOptions, leftoverOptions, measureOptions, readAs, whoseOutlines } from '../../values/spacingSentence'
import type { Path } from './schema'

const say = sentenceOf<Path>()
const laidIn = ({ laid }: Surroundings) => (laid?.kind === 'path' ? laid : undefined)
const byLength = ({ way }: Path): boolean => way === 'length'
const joins = ({ join }: Path): boolean => join !== 'no'

const held = (which: 'count' | 'spacing', label: string) =>
  say.number(which, {
    label,
    undo: which,
    quantity: which === 'count' ? 'count' : 'length',
    triple: 'path',
    letGo: (path) => void (path.hold = which === 'count' ? 'spacing' : 'count'),
    state: ({ hold }) => (hold === which ? 'held' : 'worked'),
    shown: (_, around) => laidIn(around)?.[which],
    write: (path, to) => void Object.assign(path, { [which]: to, hold: which }),
  })
const free = (
  key: 'insetStart' | 'insetEnd' | 'slide' | 'twist' | 'aside' | 'lift',
  label: string,
  undo: string,
): Node<Path> =>
  say.number(key, {
    label,
    undo,
    quantity: key === 'twist' ? 'angle' : 'length',
    state: 'free',
    ...(undo === 'inset' && { check: notBelowZero('An inset') }),
  })

/** Straight distances and bays are from pivot to pivot: a gap is read as the pitch that it comes to. */
function setWay(path: Path, way: string, around: Surroundings): void {
  const pitch = path.measure === 'pitch' ? undefined : laidIn(around)?.readAs?.pitch
  path.way = way as Path['way']
  if (way === 'length' || pitch === undefined) return
  if (around.reread) around.reread(`${around.pattern?.id ?? ''} `, path, 'pitch', pitch)(path)
  else Object.assign(path, { measure: 'pitch', spacing: pitch })
}

/** Whether nothing is to be said of how it runs. */
const runsPlainly = ({ reverse, insetStart, insetEnd, slide }: Path): boolean =>
  !reverse && insetStart === 0 && insetEnd === 0 && slide === 0
const isClosed = (_: Path, around: Surroundings): boolean => laidIn(around)?.contours[0]?.closed ?? false

export const pathSentence: Template<Path> = [
  say.when(
    joins,
    ['Join strips between ', held('count', 'Count'), ' places along '],
    (path) => void (path.join = 'stretch'),
  ),
  say.when((path) => !joins(path), ['Place ', held('count', 'Count'), ' ', things, 'along ']),
  say.within((path) => path, curveSentence),
  say.clause(byLength, [
    ', ',
    say.choice('way', {
      label: 'Way',
      undo: 'way',
      options: [
        { value: 'length', words: 'evenly by length', note: 'true length along the curve' },
        { value: 'straight', words: 'by straight distance', note: 'from one to the next, as rigid links' },
        { value: 'corners', words: 'on every corner', note: 'with even bays between' },
      ],
      write: setWay,
    }),
  ]),
  ', ',
  held('spacing', 'Spacing'),
  say.when(({ way }) => way === 'straight', [' apart']),
  say.when(({ way }) => way === 'corners', [' first bay']),
  say.when(byLength, [
    ' ',
    readAs<Path>(measureOptions, {
      undo: 'measure',
      converted: (_, to, around) => laidIn(around)?.readAs?.[to as 'gap'],
    }),
    whoseOutlines,
    say.where(
      (path, around) => !isClosed(path, around),
      [', ', say.choice('ends', { label: 'Ends', undo: 'ends', options: endsOptions })],
    ),
    say.where(
      ({ hold }) => hold === 'spacing',
      [
        say.clause(
          ({ leftover }) => leftover === 'end',
          [', left over ', say.choice('leftover', { label: 'Leftover', undo: 'leftover', options: leftoverOptions })],
        ),
      ],
    ),
  ]),
  say.where(
    (path, around) => path.contours !== 'each' || (laidIn(around)?.contours.length ?? 1) > 1,
    [
      say.clause(
        ({ contours }) => contours === 'each',
        [
          ', ',
          say.choice('contours', {
            label: 'Contours',
            undo: 'contours',
            options: [
              { value: 'each', words: 'on each contour for itself' },
              { value: 'asOne', words: 'shared among the contours by their lengths' },
            ],
          }),
        ],
      ),
    ],
  ),
  '; ',
  say.where(({ facing }) => facing !== 'unchanged', ['turned ']),
  say.choice('facing', {
    label: 'Facing',
    undo: 'facing',
    options: [
      { value: 'upright', words: 'along, staying upright' },
      { value: 'along', words: 'along' },
      { value: 'leastTwist', words: 'along, with the least twist' },
      { value: 'unchanged', words: 'not turned' },
    ],
  }),
  say.clause(({ twist }) => twist === 0, [', twisting ', free('twist', 'Twist', 'twist'), ' in all']),
  say.clause(
    ({ join }) => join === 'no',
    [
      ', ',
      say.choice('join', {
        label: 'Size along',
        undo: 'size along',
        options: [
          { value: 'no', words: 'in their own size' },
          { value: 'stretch', words: 'stretched to reach the next', note: 'strips that join end to end' },
          {
            value: 'choose',
            words: 'chosen by length to reach the next',
            note: 'the dealt part of the nearest length, stretched by what is missing',
          },
        ],
      }),
    ],
  ),
  '.',
  say.clause(runsPlainly, [
    ' It runs ',
    say.choice('reverse', {
      label: 'Sense',
      undo: 'sense',
      options: yesNo('from its end', 'from its start'),
      write: (path, to) => void (path.reverse = to === 'true'),
    }),
    say.clause(
      ({ insetStart }) => insetStart === 0,
      [', ', free('insetStart', 'Inset at the start', 'inset'), ' in from the start'],
    ),
    say.clause(
      ({ insetEnd }) => insetEnd === 0,
      [', ', free('insetEnd', 'Inset at the end', 'inset'), ' in from the end'],
    ),
    say.clause(({ slide }) => slide === 0, [', slid by ', free('slide', 'Slide', 'slide')]),
    '.',
  ]),
  say.clause(
    ({ aside, lift }) => aside === 0 && lift === 0,
    [' They stand ', free('aside', 'Aside', 'offset'), ' aside and ', free('lift', 'Lift', 'offset'), ' up from it.'],
  ),
  say.clause(
    ({ shown }) => shown,
    [
      ' The curve is ',
      say.choice('shown', {
        label: 'Guide',
        undo: 'guide',
        options: yesNo('shown', 'hidden'),
        write: (path, to) => void (path.shown = to === 'true'),
      }),
      '.',
    ],
  ),
  say.alsoRead([', ', held('count', 'Count'), ' copies']),
]
