import type { LayoutKind } from '@hilera/core/layouts/index'
import type { Component } from 'vue'
import CompanionSentence from './CompanionSentence.vue'
import FillSentence from './FillSentence.vue'
import GridSentence from './GridSentence.vue'
import LineSentence from './LineSentence.vue'
import MirrorSentence from './MirrorSentence.vue'
import PathSentence from './PathSentence.vue'
import RingSentence from './RingSentence.vue'
import SpotsSentence from './SpotsSentence.vue'

/** The sentence in which each layout is read and changed. */
export const layoutSentences: Record<LayoutKind, Component> = {
  line: LineSentence,
  grid: GridSentence,
  ring: RingSentence,
  fill: FillSentence,
  companion: CompanionSentence,
  path: PathSentence,
  spots: SpotsSentence,
  mirror: MirrorSentence,
}
