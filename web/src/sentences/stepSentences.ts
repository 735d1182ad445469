import type { StepKind } from '@hilera/core/steps/index'
import type { Component } from 'vue'
import AimSentence from './AimSentence.vue'
import GradeSentence from './GradeSentence.vue'
import ReflectSentence from './ReflectSentence.vue'
import ThinSentence from './ThinSentence.vue'
import VarySentence from './VarySentence.vue'

/** The sentence in which each shaping step is read and changed. */
export const stepSentences: Record<StepKind, Component> = {
  aim: AimSentence,
  grade: GradeSentence,
  reflect: ReflectSentence,
  thin: ThinSentence,
  vary: VarySentence,
}
