import type { SpacingOutcome } from '../context'
import { wholeFrom } from '../../sentences/checks'
import {
  type Node,
  type Option,
  type Surroundings,
  type Template,
  joint,
  sentenceOf,
  things,
} from '../../sentences/nodes'
import { letGo, takeHold } from '../../spacing/hold'
import { type Held, type Spacing, triple } from '../../values/spacing'
import {
  edgesOptions,
  endsOptions,
  leftoverOptions,
  measureOptions,
  readAs,
  whoseOutlines,
} from '../../values/spacingSentence'
import { type Anchor, type Grid, heldInHex } from './schema'

const say = sentenceOf<Grid>()
const worked = ({ hold }: Spacing): Held => triple.find((which) => !hold.includes(which)) ?? 'count'

const isSingle = ({ hold, count }: Spacing): boolean => hold.includes('count') && count === 1

/** Along one direction: count, spacing and room, any two of them held. Where the spacing follows from another, it is only shown. */
function direction(
  axis: 'across' | 'deep' | 'up',
  words: string,
  follows: boolean,
  first: readonly Node<Spacing>[] = [],
): Node<Grid> {
  const own = sentenceOf<Spacing>()
  const laidIn = ({ laid }: Surroundings): SpacingOutcome | undefined =>
    laid?.kind === 'grid' ? laid[axis] : undefined
  const label = (what: string): string => `${what} ${words}`
  /** Where the spacing follows, one other is held; which of the two is not is worked out too. */
  const workedIn = (spacing: Spacing): Held =>
    follows ? (heldInHex(spacing) === 'count' ? 'room' : 'count') : worked(spacing)
  const isAlone = (spacing: Spacing): boolean => isSingle(spacing) && !(follows && heldInHex(spacing) === 'room')
  const held = (which: Held, what: string) =>
    own.number(which, {
      label: label(what),
      undo: axis,
      quantity: which === 'count' ? 'count' : 'length',
      triple: axis,
      state: (spacing) => (workedIn(spacing) === which || (follows && which === 'spacing') ? 'worked' : 'held'),
      shown: (_, around) => laidIn(around)?.[which],
      write: (spacing, to) => takeHold(spacing, which, to),
      // What follows from another spacing is no more held than let go.
      ...(!(follows && which === 'spacing') && { letGo: (spacing: Spacing) => letGo(spacing, which, triple) }),
    })
  return say.within(
    (grid) => grid[axis],
    [
      held('count', 'Count'),
      ' ',
      ...first,
      words,
      own.where(
        (spacing) => !isAlone(spacing),
        [
          ' at ',
          held('spacing', 'Spacing'),
          ' ',
          ...(follows
            ? ['pitch']
            : [
                readAs<Spacing>(measureOptions, {
                  label: label('Measure'),
                  undo: axis,
                  key: axis,
                  converted: (_, to, around) => laidIn(around)?.readAs?.[to as 'gap'],
                }),
              ]),
          ' in ',
          held('room', 'Room'),
          ' ',
          own.choice('edges', { label: label('Room is measured'), undo: axis, options: edgesOptions }),
          own.where(
            (spacing) => workedIn(spacing) === 'count',
            [
              ', ',
              own.choice('ends', { label: label('Ends'), undo: axis, options: endsOptions }),
              ', left over ',
              own.choice('leftover', { label: label('Leftover'), undo: axis, options: leftoverOptions }),
            ],
          ),
        ],
      ),
    ],
  )
}

const anchors = (words: readonly string[]): Option[] =>
  (['start', 'centre', 'end'] satisfies Anchor[]).map((value, i) => ({ value, words: words[i] }))

const isHexagonal = ({ rows }: Grid): boolean => rows.kind === 'hexagonal'
const shift = (key: 'share' | 'every') => ({
  read: ({ rows }: Grid): number => (rows.kind === 'offset' ? rows[key] : 0),
  write: ({ rows }: Grid, to: number): void => {
    if (rows.kind === 'offset') rows[key] = to
  },
})
const share = shift('share')
const every = shift('every')

export const gridSentence: Template<Grid> = [
  'Place ',
  direction('across', 'across', false, [things]),
  '; ',
  // Before what is deep, as that follows from it.
  say.clause(
    ({ rows }) => rows.kind === 'inStep',
    [
      'rows ',
      say.choice(({ rows }) => rows.kind, {
        label: 'Rows',
        undo: 'rows',
        options: [
          { value: 'inStep', words: 'in step' },
          { value: 'offset', words: 'shifted', note: 'as in a wall of bricks' },
          {
            value: 'hexagonal',
            words: 'hexagonal',
            note: 'every other row by half, rows √3/2 of the column pitch apart',
          },
        ],
        write: (grid, kind) =>
          void (grid.rows =
            kind === 'offset' ? { kind, share: 0.5, every: 1 } : { kind: kind as 'inStep' | 'hexagonal' }),
      }),
      say.when(
        ({ rows }) => rows.kind === 'offset',
        [
          ' by ',
          say.number(share.read, {
            label: 'Shift of a row',
            undo: 'rows',
            quantity: 'share',
            state: 'free',
            write: share.write,
          }),
          ' of a pitch every ',
          say.number(every.read, {
            label: 'Rows in a group',
            undo: 'rows',
            quantity: 'count',
            state: 'free',
            write: every.write,
            check: wholeFrom(1),
          }),
          say.said((grid) => (every.read(grid) === 1 ? ' row' : ' rows'), 'row', 'rows'),
        ],
      ),
      '; ',
    ],
  ),
  say.when((grid) => !isHexagonal(grid), [direction('deep', 'deep', false)]),
  say.when(isHexagonal, [direction('deep', 'deep', true)]),
  whoseOutlines,
  say.clause(({ up }) => isSingle(up), ['; ', direction('up', 'high', false)]),
  say.clause(
    ({ only }) => only === 'all',
    [
      '; ',
      say.choice('only', {
        label: 'Places used',
        undo: 'places',
        options: [
          { value: 'all', words: 'all places' },
          { value: 'border', words: 'only the border' },
          { value: 'checker', words: 'only every other place', note: 'as on a checkerboard' },
        ],
      }),
    ],
  ),
  say.clause(
    ({ order }) => order === 'rows',
    [
      ', numbered ',
      say.choice('order', {
        label: 'Numbering',
        undo: 'numbering',
        options: [
          { value: 'rows', words: 'row by row' },
          { value: 'backAndForth', words: 'back and forth' },
          { value: 'fromCentre', words: 'from the centre outward' },
        ],
      }),
    ],
  ),
  '.',
  say.clause(
    ({ anchor }) => Object.values(anchor).every((a) => a === 'start'),
    [
      ' Its origin is at the ',
      say.choice(({ anchor }) => anchor.across, {
        label: 'Origin across',
        undo: 'origin',
        options: anchors(['left', 'middle', 'right']),
        write: ({ anchor }, to) => void (anchor.across = to as Anchor),
      }),
      joint(', '),
      say.choice(({ anchor }) => anchor.deep, {
        label: 'Origin deep',
        undo: 'origin',
        options: anchors(['far edge', 'middle', 'near edge']),
        write: ({ anchor }, to) => void (anchor.deep = to as Anchor),
      }),
      joint(', '),
      say.choice(({ anchor }) => anchor.up, {
        label: 'Origin up',
        undo: 'origin',
        options: anchors(['lowest', 'middle', 'topmost']),
        write: ({ anchor }, to) => void (anchor.up = to as Anchor),
      }),
      '.',
    ],
  ),
]
