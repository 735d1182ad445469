import { wholeFrom } from '../../sentences/checks'
import { type Surroundings, type Template, sentenceOf, things } from '../../sentences/nodes'
import { letGo } from '../../spacing/hold'
import type { Ends } from '../../values/spacing'
import { endsOptions, readAs, whoseOutlines } from '../../values/spacingSentence'
import { type Ring, type RingHeld, ringTriple } from './schema'

const say = sentenceOf<Ring>()
const laidIn = ({ laid }: Surroundings) => (laid?.kind === 'ring' ? laid : undefined)
const worked = ({ hold }: Ring): RingHeld => ringTriple.find((which) => !hold.includes(which)) ?? 'spacing'
const finite = (n: number | undefined): number | undefined => (Number.isFinite(n) ? n : undefined)

/** Taking hold of the third lets go of the one untouched longest. */
const held = (which: RingHeld, label: string) =>
  say.number(which, {
    label,
    undo: which,
    quantity: which === 'count' ? 'count' : 'length',
    triple: 'ring',
    letGo: (ring) => letGo(ring, which, ringTriple),
    state: (ring) => (worked(ring) === which ? 'worked' : 'held'),
    shown: (_, around) => laidIn(around)?.[which],
    write: (ring, to) => {
      ring[which] = to
      const other = ring.hold[1] === which ? ring.hold[0] : ring.hold[1]
      ring.hold = [other === which ? ring.hold[0] : other, which]
    },
  })

const free = (
  key: 'start' | 'rise' | 'widen' | 'radialPitch',
  label: string,
  undo: string,
  quantity: 'length' | 'angle',
) => say.number(key, { label, undo, quantity, state: 'free' })
const perOptions = [
  { value: 'step', words: 'a step' },
  { value: 'turn', words: 'a turn' },
  { value: 'total', words: 'in all' },
]
const isArc = ({ sweep }: Ring): boolean => sweep.kind === 'arc'

/** Whether nothing is to be said of how it turns: about up, from straight across, level, in one ring. */
const turnsPlainly = ({ axis, sense, start, rise, widen, rings }: Ring): boolean =>
  axis === 'up' && sense === 1 && start === 0 && rise === 0 && widen === 0 && rings === 1

export const ringSentence: Template<Ring> = [
  'Place ',
  held('count', 'Count'),
  ' ',
  things,
  'round a circle',
  say.where(() => true, [' of radius ', held('radius', 'Radius')]),
  ', ',
  say.choice(({ sweep }) => sweep.kind, {
    label: 'Sweep',
    undo: 'sweep',
    options: [
      { value: 'full', words: 'all the way round', note: 'the first copy is never doubled' },
      { value: 'arc', words: 'through an angle', note: 'several turns too' },
    ],
    write: (ring, kind) =>
      void (ring.sweep = kind === 'full' ? { kind } : { kind: 'arc', angle: Math.PI, ends: 'both' }),
  }),
  say.when(isArc, [
    ' of ',
    say.number(({ sweep }) => (sweep.kind === 'arc' ? sweep.angle : 2 * Math.PI), {
      label: 'Angle',
      undo: 'angle',
      quantity: 'angle',
      write: ({ sweep }, to) => {
        if (sweep.kind === 'arc') sweep.angle = to
      },
    }),
    ', ',
    say.choice(({ sweep }) => (sweep.kind === 'arc' ? sweep.ends : 'both'), {
      label: 'Ends',
      undo: 'ends',
      options: endsOptions,
      write: ({ sweep }, to) => {
        if (sweep.kind === 'arc') sweep.ends = to as Ends
      },
    }),
  ]),
  ', ',
  held('spacing', 'Spacing'),
  ' ',
  readAs<Ring>(
    [
      { value: 'gap', words: 'gap', note: 'the nearest distance between the outlines of neighbours' },
      { value: 'chord', words: 'straight', note: 'from pivot to pivot' },
      { value: 'arc', words: 'along the arc', note: 'from pivot to pivot' },
    ],
    { converted: (_, to, around) => finite(laidIn(around)?.[to as 'gap']) },
  ),
  whoseOutlines,
  ', ',
  say.choice('facing', {
    label: 'Facing',
    undo: 'facing',
    options: ({ axis }) => [
      { value: 'out', words: 'facing out', note: axis === 'up' ? 'their fronts' : 'their tops' },
      { value: 'in', words: 'facing in' },
      { value: 'along', words: 'facing along' },
      { value: 'turning', words: 'turning with it', note: 'the first as it is' },
      { value: 'unchanged', words: 'unturned' },
    ],
  }),
  '.',
  say.clause(turnsPlainly, [
    ' It turns about ',
    say.choice('axis', {
      label: 'Axis',
      undo: 'axis',
      options: [
        { value: 'up', words: 'up', note: 'the ring lies', toward: [0, 1, 0] },
        { value: 'deep', words: 'deep', note: 'the ring stands, seen from the front', toward: [0, 0, 1] },
        { value: 'across', words: 'across', note: 'the ring stands, seen from the side', toward: [1, 0, 0] },
      ],
    }),
    say.clause(
      ({ sense }) => sense === 1,
      [
        ', ',
        say.choice(({ sense }) => String(sense), {
          label: 'Sense',
          undo: 'sense',
          options: [
            { value: '1', words: 'counter-clockwise' },
            { value: '-1', words: 'clockwise' },
          ],
          write: (ring, to) => void (ring.sense = to === '1' ? 1 : -1),
        }),
      ],
    ),
    say.clause(({ start }) => start === 0, [', from ', free('start', 'Start angle', 'start', 'angle')]),
    say.clause(
      ({ rise }) => rise === 0,
      [
        ', rising ',
        free('rise', 'Rise', 'rise', 'length'),
        say.where(
          ({ rise }) => rise !== 0,
          [' ', say.choice('risePer', { label: 'Rise per', undo: 'rise', options: perOptions })],
        ),
      ],
    ),
    say.clause(
      ({ widen }) => widen === 0,
      [
        ', widening ',
        free('widen', 'Widening', 'widening', 'length'),
        say.where(
          ({ widen }) => widen !== 0,
          [' ', say.choice('widenPer', { label: 'Widening per', undo: 'widening', options: perOptions })],
        ),
      ],
    ),
    say.clause(
      ({ rings }) => rings === 1,
      [
        '; ',
        say.number('rings', {
          label: 'Rings',
          undo: 'rings',
          quantity: 'count',
          state: 'free',
          check: wholeFrom(1, 1000),
        }),
        say.said(({ rings }) => (rings === 1 ? ' ring' : ' rings'), 'ring', 'rings'),
        say.where(
          ({ rings }) => rings > 1,
          [
            ' ',
            free('radialPitch', 'Between rings', 'rings', 'length'),
            ' apart, each with ',
            say.choice('ringCounts', {
              label: 'Counts of rings',
              undo: 'rings',
              options: [
                { value: 'keepSpacing', words: 'as many as keep the spacing' },
                { value: 'same', words: 'the same count' },
              ],
            }),
          ],
        ),
      ],
    ),
    '.',
  ]),
  say.alsoRead([', ', held('count', 'Count'), ' copies']),
]
