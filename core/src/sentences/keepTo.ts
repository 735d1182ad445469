import { type Node, sentenceOf } from './nodes'

interface Kept {
  only?: string | undefined
}
const say = sentenceOf<Kept>()

/** The saved selection to which a step or a movement of copies keeps. */
export const keepTo: Node<Kept> = say.where(
  ({ only }, { project }) => only !== undefined || project.sets.length > 0,
  [
    ' Keep to ',
    say.choice(({ only }) => only ?? '', {
      label: 'Copies that it reaches',
      options: (_, { project }) => [
        { value: '', words: 'all copies' },
        ...project.sets.map(({ id, name }) => ({ value: id, words: '', name })),
      ],
      write: (step, to) => {
        if (to) step.only = to
        else delete step.only
      },
    }),
    '.',
  ],
)
