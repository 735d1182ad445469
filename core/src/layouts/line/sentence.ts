import { type Template, along, joint, sentenceOf, things } from '../../sentences/nodes'
import { letGo, takeHold } from '../../spacing/hold'
import { type Held, triple } from '../../values/spacing'
import {
  edgesOptions,
  endsOptions,
  leftoverOptions,
  readAs,
  measureOptions,
  whoseOutlines,
} from '../../values/spacingSentence'
import type { Axis } from '../../values/values'
import type { Surroundings } from '../../sentences/nodes'
import type { Line } from './schema'

const say = sentenceOf<Line>()
const laidIn = ({ laid }: Surroundings) => (laid?.kind === 'line' ? laid : undefined)
const worked = ({ hold }: Line): Held => triple.find((which) => !hold.includes(which)) ?? 'count'
/** One alone: there is nothing between neighbours to be said. */
const isSingle = ({ hold, count }: Line): boolean => hold.includes('count') && count === 1
const byAmounts = ({ direction }: Line): boolean => direction.kind === 'amounts'

/** One of count, spacing and room: what is held as it was typed, the third as it came out. */
const held = (which: Held, label: string, undo: string | ((line: Line) => string)) =>
  say.number(which, {
    label,
    undo,
    quantity: which === 'count' ? 'count' : 'length',
    triple: 'line',
    state: (line) => (worked(line) === which ? 'worked' : 'held'),
    shown: (_, around) => laidIn(around)?.[which],
    write: (line, to) => takeHold(line, which, to),
    letGo: (line) => letGo(line, which, triple),
  })

const direction = say.choice(
  ({ direction: d }) => (d.kind === 'amounts' ? 'amounts' : `${d.sign > 0 ? '+' : '-'}${d.axis}`),
  {
    label: 'Direction',
    undo: 'direction',
    options: [
      { value: '+across', words: 'across', note: 'to the right', toward: [1, 0, 0] },
      { value: '-across', words: 'back across', note: 'to the left', toward: [-1, 0, 0] },
      { value: '+up', words: 'up', toward: [0, 1, 0] },
      { value: '-up', words: 'down', toward: [0, -1, 0] },
      { value: '+deep', words: 'deep', note: 'towards you', toward: [0, 0, 1] },
      { value: '-deep', words: 'back deep', note: 'away from you', toward: [0, 0, -1] },
      { value: 'amounts', words: 'by amounts', note: 'so much across, up and deep each time' },
    ],
    write: setDirection,
  },
)

function setDirection(line: Line, to: string, around: Surroundings): void {
  if (to !== 'amounts') {
    line.direction = { kind: 'axis', axis: to.slice(1) as Axis, sign: to[0] === '+' ? 1 : -1 }
    return
  }
  // The step that the line has now, so that equal parts stay where they are.
  const now = laidIn(around)
  const pitch = now?.readAs?.pitch ?? 0.1
  const step: [number, number, number] = [0, 0, 0]
  if (line.direction.kind === 'axis')
    step[['across', 'up', 'deep'].indexOf(line.direction.axis)] = line.direction.sign * pitch
  line.direction = { kind: 'amounts', step }
  if (now) line.count = now.count
  line.hold = ['spacing', 'count']
}

export const lineSentence: Template<Line> = [
  'Place ',
  held('count', 'Count', 'count'),
  ' ',
  things,
  'in a line',
  joint(' along '),
  direction,
  say.when(byAmounts, [
    ', each ',
    ...along<Line>(['across', 'up', 'deep'], ({ direction: d }) => (d.kind === 'amounts' ? d.step : []), {
      label: (axis) => `Step ${axis}`,
      undo: 'step',
      quantity: 'length',
      state: 'held',
    }),
    ' from the one before',
  ]),
  say.when(isSingle, [
    say.clause(
      ({ edges }) => edges === 'outsides',
      [', ', say.choice('edges', { label: 'Where it is measured', undo: 'room', options: edgesOptions })],
    ),
  ]),
  say.clause(isSingle, [
    say.when(
      (line) => !byAmounts(line),
      [
        ', ',
        held('spacing', 'Spacing', ({ measure }) => measure),
        ' ',
        readAs<Line>(measureOptions, {
          undo: (_, to) => String(to),
          converted: (_, to, around) => laidIn(around)?.readAs?.[to as 'gap'],
        }),
        whoseOutlines,
      ],
    ),
    ', in ',
    held('room', 'Room', 'room'),
    say.when(
      (line) => !byAmounts(line),
      [' ', say.choice('edges', { label: 'Room is measured', undo: 'room', options: edgesOptions })],
    ),
    say.when(byAmounts, [' between centres']),
    ', ',
    say.choice('ends', { label: 'Ends', undo: 'ends', options: endsOptions }),
    say.where(
      (line) => worked(line) === 'count',
      [
        '; what is left over goes ',
        say.choice('leftover', { label: 'Leftover', undo: 'leftover', options: leftoverOptions }),
      ],
    ),
  ]),
  say.alsoRead([', ', held('count', 'Count', 'count'), ' copies']),
  '.',
]
