import { plainReflection } from '@hilera/core/values/reflection'
import type { Step, StepKind } from '@hilera/core/steps/index'
import { startVariation } from '../sentences/varyWords'

interface StepWords<K extends StepKind> {
  readonly words: string
  readonly note: string
  /** The step as it starts out. */
  start(id: string): Extract<Step, { kind: K }>
}

/** How each shaping step is named, and how it starts out. */
export const stepWords: { readonly [K in StepKind]: StepWords<K> } = {
  grade: {
    words: 'Grade',
    note: 'size, move or turn from the first to the last',
    start: (id) => ({
      kind: 'grade',
      id,
      what: 'size',
      by: 'ends',
      first: 1,
      last: 0.5,
      amount: 0.05,
      factor: 1.03,
      over: { kind: 'order' },
      easing: 'evenly',
    }),
  },
  aim: {
    words: 'Aim',
    note: 'face a point, the centre, a copy or along',
    start: (id) => ({ kind: 'aim', id, at: { kind: 'centre' }, side: 'front', upright: true }),
  },
  vary: {
    words: 'Vary',
    note: 'size, move or turn by chance that belongs to the copy',
    start: (id) => ({ kind: 'vary', id, ...startVariation('turnUp', 17), share: 1, strength: 1 }),
  },
  reflect: {
    words: 'Reflect',
    note: 'the images of the copies so far, across one plane or more',
    start: (id) => ({ kind: 'reflect', id, ...plainReflection('across') }),
  },
  thin: { words: 'Thin', note: 'keep every 2nd, 3rd …', start: (id) => ({ kind: 'thin', id, every: 2, from: 1 }) },
}

export const stepKinds = Object.keys(stepWords) as StepKind[]
