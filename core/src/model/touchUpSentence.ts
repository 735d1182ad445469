import { type Surroundings, type Template, along, sentenceOf } from '../sentences/nodes'
import type { Vec3 } from '../values/values'
import type { Sentence } from '../words'
import type { TouchUp } from './pattern'

const say = sentenceOf<TouchUp>()
const axes = ['across', 'up', 'deep'] as const
const PLAIN_COLOR = '#a8325e'
const PLAIN = { move: [0, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] } as const

/** The three values of one kind, each by its own axis; what was not touched is made of the plain ones. */
function values(
  key: 'move' | 'turn' | 'size',
  spec: {
    readonly quantity: 'length' | 'angle' | 'share'
    readonly label: (axis: string) => string
    readonly words: (axis: string) => string
    check?(to: number): Sentence | undefined
  },
): Template<TouchUp> {
  const read = (touched: TouchUp): readonly number[] => touched[key] ?? PLAIN[key]
  return along<TouchUp>(axes, read, {
    ...spec,
    undo: key,
    state: 'free',
    write: (touched, i, to) => {
      const next: Vec3 = [...(touched[key] ?? PLAIN[key])]
      next[i] = to
      touched[key] = next
    },
  })
}

/** What was done to one copy by hand. Its part is one of the project's. */
export const touchUpSentence: Template<TouchUp> = [
  'Moved ',
  ...values('move', { quantity: 'length', label: (axis) => `Moved ${axis}`, words: (axis) => axis }),
  '; turned ',
  ...values('turn', { quantity: 'angle', label: (axis) => `Turned about ${axis}`, words: (axis) => `about ${axis}` }),
  '; sized ',
  ...values('size', {
    quantity: 'share',
    label: (axis) => `Sized ${axis}`,
    words: (axis) => axis,
    check: (to) => (to > 0 ? undefined : ['A size is more than 0: type 100 % for the part’s own.']),
  }),
  '; part ',
  say.choice((touched) => touched.part ?? '', {
    label: 'Part of this copy',
    undo: 'part',
    options: (_, { project }) => [
      { value: '', words: 'as dealt' },
      ...project.parts.map(({ id, name }) => ({ value: id, words: name })),
    ],
    write: (touched, to) => void (touched.part = to === '' ? undefined : to),
  }),
  '; colour ',
  say.choice(({ color }) => (color === undefined ? 'dealt' : 'own'), {
    label: 'Colour of this copy',
    undo: 'colour',
    options: [
      { value: 'dealt', words: 'as its part has it' },
      { value: 'own', words: 'its own,' },
    ],
    write: (touched, to, around) => void (touched.color = to === 'own' ? colorNow(touched, around) : undefined),
  }),
  say.when(
    ({ color }) => color !== undefined,
    [
      ' ',
      say.color({
        label: 'Own colour of this copy',
        undo: 'colour',
        read: ({ color }) => color ?? PLAIN_COLOR,
        write: (touched, to) => void (touched.color = to),
      }),
    ],
  ),
  '.',
]

/** What an own colour begins with: that of the part that stands there. */
function colorNow({ part }: TouchUp, { project, table, slot }: Surroundings): string {
  const row = table && slot !== undefined ? table.rowOf(slot) : -1
  const own =
    part === undefined
      ? row < 0
        ? undefined
        : project.parts[table!.thing[row]]
      : project.parts.find(({ id }) => id === part)
  return own?.look.color ?? PLAIN_COLOR
}
