import type { StepKind } from '@hilera/core/steps/index'
import ReflectionAfter from '../mirrors/ReflectionAfter.vue'
import AimAfter from './aim/AimAfter.vue'
import type { StepView, StepViews } from './definition'

/** Every step by its kind; a new one is entered here. */
export const stepViews: StepViews = {
  grade: {
    drawing: {
      dots: [
        [9, 32, 0.5],
        [21, 30, 0.8],
        [36, 27, 1.2],
        [56, 23, 1.7],
      ],
    },
  },
  aim: {
    drawing: {
      dots: [
        [10, 8],
        [10, 32],
        [62, 8],
        [62, 32],
      ],
      small: [[36, 20]],
      stroke: 'M17 11l9 4M17 29l9 -4M55 11l-9 4M55 29l-9 -4',
    },
    after: AimAfter,
  },
  vary: {
    drawing: {
      dots: [
        [9, 24, 0.9],
        [23, 14, 1.3],
        [37, 27, 0.7],
        [50, 18, 1.4],
        [64, 26, 1],
      ],
    },
    draw: (guides, { pattern, step, update, meshes, color }) => guides.show(pattern, step, update, meshes, color),
  },
  reflect: {
    drawing: {
      dots: [
        [8, 30],
        [18, 18],
        [28, 26],
      ],
      small: [
        [44, 26],
        [54, 18],
        [64, 30],
      ],
      line: 'M36 4v32',
    },
    after: ReflectionAfter,
  },
  thin: {
    drawing: {
      dots: [
        [10, 20],
        [36, 20],
        [62, 20],
      ],
      empty: [
        [23, 20],
        [49, 20],
      ],
    },
  },
  settle: {
    drawing: {
      dots: [
        [12, 21],
        [34, 14],
        [58, 23],
      ],
      stroke: 'M4 30Q16 24 25 23T42 22T54 30T68 31',
    },
  },
  clear: {
    drawing: {
      dots: [
        [23, 20],
        [49, 20],
      ],
      stroke: 'M14 20H4m4 -4l-4 4l4 4M58 20h10m-4 -4l4 4l-4 4',
    },
  },
}

/** The web half of any step. */
export const stepViewOf = ({ kind }: { readonly kind: StepKind }): StepView => stepViews[kind] as unknown as StepView
