import type { MeshLibrary } from '@hilera/core/parts/partMesh'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Step, StepKind, StepOf } from '@hilera/core/steps/index'
import type { Component } from 'vue'
import type { PatternUpdate } from '../worker/messages'
import type { Drawing } from '../drawing/small'
import type { ReachGuides } from './vary/reachGuides'

/** What is drawn while the sentence of a step is read. */
export interface Reading<S> {
  readonly pattern: Pattern
  readonly step: S
  readonly update: PatternUpdate
  readonly meshes: MeshLibrary
  readonly color: string
}

/** The web half of a step's definition. */
export interface StepView<S = Step> {
  readonly drawing: Drawing
  /** What stands under its sentence. */
  readonly after?: Component
  /** Draws on the stage what it is about while its sentence is read. */
  draw?(guides: ReachGuides, reading: Reading<S>): void
}

export type StepViews = { readonly [K in StepKind]: StepView<StepOf<K>> }
