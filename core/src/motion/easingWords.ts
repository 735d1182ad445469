import { sentenceOf, type Template } from '../sentences/nodes'
import { type CurveName, type Easing, curveNames, curves } from './easing'

const words: Record<CurveName, string> = {
  evenly: 'evenly',
  slowFirst: 'slowly at first',
  slowLast: 'slowly at last',
  slowBoth: 'slowly at both ends',
  softly: 'softly',
}

/**
 * How a value goes from one to another: by a name, or by a curve whose two inner points are typed.
 *
 * @param number what is added to the names of its fields, where a sentence says several
 */
export function easingWords<T extends { easing: Easing }>(number = ''): Template<T> {
  const say = sentenceOf<T>()
  const at = (i: 0 | 1 | 2 | 3, label: string) =>
    say.number(({ easing }) => (typeof easing === 'string' ? 0 : easing[i]), {
      label: `Curve${number}, ${label}`,
      undo: 'easing',
      quantity: 'factor',
      state: 'free',
      check: (n) =>
        i % 2 === 0 && (n < 0 || n > 1)
          ? ['A moment of the curve is from 0 to 1.']
          : Math.abs(n) > 10
            ? ['The way of the curve is from −10 to 10.']
            : undefined,
      write(value, to) {
        if (typeof value.easing !== 'string') value.easing[i] = to
      },
    })
  return [
    say.choice(({ easing }) => (typeof easing === 'string' ? easing : 'typed'), {
      label: `Easing${number}`,
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
        ' of ',
        at(0, 'first moment'),
        ' to ',
        at(1, 'first way'),
        ' and ',
        at(2, 'second moment'),
        ' to ',
        at(3, 'second way'),
      ],
    ),
  ]
}
