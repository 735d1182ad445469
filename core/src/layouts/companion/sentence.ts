import { wholeFrom } from '../../sentences/checks'
import { type Surroundings, type Template, along, sentenceOf, things } from '../../sentences/nodes'
import type { Companion } from './schema'

const say = sentenceOf<Companion>()
const axes = ['across', 'up', 'deep']

/** The ending that makes an ordinal of a number as it stands before it: every 2 nd. */
function nth({ every: n }: Companion): string {
  const teens = n % 100 > 10 && n % 100 < 14
  return teens ? 'th' : ({ 1: 'st', 2: 'nd', 3: 'rd' }[n % 10] ?? 'th')
}

/** Names of the points on the host's parts. */
function pointsOn({ host }: Companion, { project }: Surroundings): string[] {
  const pattern = project.patterns.find((p) => p.id === host)
  const points = project.parts.filter((p) => pattern?.deal.parts.includes(p.id)).flatMap((p) => p.points ?? [])
  return [...new Set(points.map((p) => p.name))]
}

export const companionSentence: Template<Companion> = [
  'Place one ',
  things,
  'with every ',
  say.clause(
    ({ every }) => every === 1,
    [
      say.number('every', { label: 'Every', undo: 'every', quantity: 'count', state: 'free', check: wholeFrom(1) }),
      say.said(nth, 'st', 'nd', 'rd', 'th'),
      ' ',
    ],
  ),
  'copy of ',
  say.choice('host', {
    label: 'Host',
    undo: 'host',
    options: (_, { project, pattern }) =>
      project.patterns.filter((p) => p.id !== pattern?.id).map((p) => ({ value: p.id, words: '', name: p.name })),
  }),
  ', at its ',
  say.choice(({ at, point }) => (at === 'point' ? `point ${point ?? ''}` : at), {
    label: 'Tied to',
    undo: 'tie',
    options: (companion, around) => [
      ...['base', 'centre', 'top', 'pivot'].map((value) => ({ value, words: value })),
      ...pointsOn(companion, around).map((name) => ({
        value: `point ${name}`,
        words: 'point ',
        name,
        note: 'a point on its part',
      })),
    ],
    write: (companion, to) => {
      const point = /^point (.*)$/s.exec(to)?.[1]
      companion.at = point === undefined ? (to as Companion['at']) : 'point'
      if (point === undefined) delete companion.point
      else companion.point = point
    },
  }),
  say.clause(
    ({ offset }) => offset.every((n) => n === 0),
    [
      ', moved ',
      ...along<Companion>(axes, ({ offset }) => offset, {
        label: (axis) => `Offset ${axis}`,
        undo: 'offset',
        quantity: 'length',
      }),
    ],
  ),
  say.clause(
    ({ turn }) => turn.every((n) => n === 0),
    [
      ', turned ',
      ...along<Companion>(axes, ({ turn }) => turn, {
        label: (axis) => `Turn about ${axis}`,
        undo: 'turn',
        quantity: 'angle',
        words: (axis) => `about ${axis}`,
      }),
    ],
  ),
  say.clause(
    ({ axes: whose }) => whose === 'copy',
    [
      ', ',
      say.choice('axes', {
        label: 'Axes',
        undo: 'axes',
        options: [
          { value: 'copy', words: 'in its own axes', note: 'a turned host turns its companion' },
          { value: 'world', words: 'in the world’s axes' },
        ],
      }),
    ],
  ),
  '.',
]
