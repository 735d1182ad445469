import type { StepKind } from '@hilera/core/steps/index'
import ReflectionAfter from '../mirrors/ReflectionAfter.vue'
import AimAfter from './aim/AimAfter.vue'
import type { StepView, StepViews } from './definition'

/** Every step by its kind; a new one is entered here. */
export const stepViews: StepViews = {
  grade: {},
  aim: { after: AimAfter },
  vary: {
    draw: (guides, { pattern, step, update, meshes, color }) => guides.show(pattern, step, update, meshes, color),
  },
  reflect: { after: ReflectionAfter },
  thin: {},
  settle: {},
  clear: {},
}

/** The web half of any step. */
export const stepViewOf = ({ kind }: { readonly kind: StepKind }): StepView => stepViews[kind] as unknown as StepView
