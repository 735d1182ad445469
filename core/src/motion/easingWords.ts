import { along, sentenceOf, type Template } from '../sentences/nodes'
import { type CurveName, type Easing, curveNames, curves } from './easing'

const words: Record<CurveName, string> = {
  evenly: 'evenly',
  slowFirst: 'slowly at first',
  slowLast: 'slowly at last',
  slowBoth: 'slowly at both ends',
  softly: 'softly',
}

/** How a value goes from one to another: by a name, or by a curve whose two inner points are typed. */
export function easingWords<T extends { easing: Easing }>(): Template<T> {
  const say = sentenceOf<T>()
  return [
    say.choice(({ easing }) => (typeof easing === 'string' ? easing : 'typed'), {
      label: 'Easing',
      undo: 'easing',
      options: [
        ...curveNames.map((value) => ({ value, words: words[value] })),
        { value: 'typed', words: 'by the curve' },
      ],
      write(value, to) {
        const before = value.easing
        const own = typeof before === 'string' ? curves[before] : before
        value.easing = to === 'typed' ? [own[0], own[1], own[2], own[3]] : (to as CurveName)
      },
    }),
    say.when(
      ({ easing }) => typeof easing !== 'string',
      [
        ' through ',
        ...along<T>(['x₁', 'y₁', 'x₂', 'y₂'], ({ easing }) => (typeof easing === 'string' ? [] : easing), {
          label: (axis) => `Curve ${axis}`,
          quantity: 'factor',
          undo: 'easing',
        }),
      ],
    ),
  ]
}
