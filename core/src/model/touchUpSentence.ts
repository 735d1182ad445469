import { type Template, along, sentenceOf } from '../sentences/nodes'
import type { Vec3 } from '../values/values'
import type { Sentence } from '../words'
import type { TouchUp } from './pattern'

const say = sentenceOf<TouchUp>()
const axes = ['across', 'up', 'deep'] as const
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
  '.',
]
