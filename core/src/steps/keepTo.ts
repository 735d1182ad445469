import { type Node, sentenceOf } from '../sentences/nodes'

interface Kept {
  only?: string | undefined
}
const say = sentenceOf<Kept>()

/** The saved selection to which a step that shapes copies keeps. */
export const keepTo: Node<Kept> = say.where(
  ({ only }, { project }) => only !== undefined || project.sets.length > 0,
  [
    ' Keep to ',
    say.choice(({ only }) => only ?? '', {
      label: 'Copies that the step reaches',
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
