import AimSentence from './aim/AimSentence.vue'
import ClearSentence from './clear/ClearSentence.vue'
import type { StepKind } from '@hilera/core/steps/index'
import type { StepView, StepViews } from './definition'
import GradeSentence from './grade/GradeSentence.vue'
import ReflectSentence from './reflect/ReflectSentence.vue'
import ThinSentence from './thin/ThinSentence.vue'
import VarySentence from './vary/VarySentence.vue'

/** Every step by its kind; a new one is entered here. */
export const stepViews: StepViews = {
  grade: { sentence: GradeSentence },
  aim: { sentence: AimSentence },
  vary: {
    sentence: VarySentence,
    draw: (guides, { pattern, step, update, meshes, color }) => guides.show(pattern, step, update, meshes, color),
  },
  reflect: { sentence: ReflectSentence },
  thin: { sentence: ThinSentence },
  clear: { sentence: ClearSentence },
}

/** The web half of any step. */
export const stepViewOf = ({ kind }: { readonly kind: StepKind }): StepView => stepViews[kind] as unknown as StepView
