import { type Surroundings, type Template, sentenceOf } from '../../sentences/nodes'
import type { Rest, Settle } from './schema'

const say = sentenceOf<Settle>()

const keyOf = (rest: Rest): string => (rest.kind === 'ground' ? `ground ${rest.ground}` : `copies ${rest.pattern}`)
function restOf(key: string): Rest {
  const [kind, id] = key.split(' ')
  return kind === 'ground' ? { kind, ground: id } : { kind: 'copies', pattern: id }
}

/** Grounds, and the patterns that do not settle on this one. */
const options = ({ project, pattern }: Surroundings) => [
  ...project.grounds.map(({ id, name }) => ({ value: `ground ${id}`, words: '', name })),
  ...project.patterns
    .filter(
      (p) =>
        p.id !== pattern?.id &&
        !p.steps.some((s) => 'on' in s && s.on.some((rest) => 'pattern' in rest && rest.pattern === pattern?.id)),
    )
    .map(({ id, name }) => ({ value: `copies ${id}`, words: '', name })),
]

export const settleSentence: Template<Settle> = [
  'Settle on ',
  say.where(({ on }, { isText }) => on.length === 0 && isText === true, ['nothing']),
  say.where(
    ({ on }, { isText }) => on.length > 0 || !isText,
    [
      say.list({
        label: 'Settled on',
        more: 'Settle also on',
        less: 'Do not settle on',
        least: 0,
        canChange: true,
        read: ({ on }) => on.map(keyOf),
        write: (settle, to) => void (settle.on = to.map(restOf)),
        options: (_, around) => options(around),
      }),
    ],
  ),
  say.where(
    ({ on }) => on.length > 1,
    [
      ', ',
      say.choice('which', {
        label: 'Which of them',
        options: [
          { value: 'topmost', words: 'the topmost first' },
          { value: 'first', words: 'as they are listed' },
        ],
      }),
    ],
  ),
  ', ',
  say.choice('stands', {
    label: 'Standing',
    options: [
      { value: 'upright', words: 'upright', note: 'turned as they are' },
      { value: 'normal', words: 'along the normal' },
      { value: 'limit', words: 'upright up to', note: 'towards the normal, so far at the most' },
    ],
  }),
  say.when(
    ({ stands }) => stands === 'limit',
    [
      ' ',
      say.number('limit', {
        label: 'Lean',
        quantity: 'angle',
        check: (to) => (to >= 0 && to <= Math.PI / 2 ? undefined : ['They lean from 0° to 90°.']),
      }),
    ],
  ),
  ', ',
  say.choice('by', {
    label: 'Rests by',
    options: [
      { value: 'foot', words: 'foot', note: 'the middle of what reaches lowest' },
      { value: 'outline', words: 'outline', note: 'wherever it touches first' },
      { value: 'pivot', words: 'pivot' },
    ],
  }),
  ' down',
  say.clause(({ above }) => above === 0, [', ', say.number('above', { label: 'Above', quantity: 'length' }), ' above']),
  '.',
]
