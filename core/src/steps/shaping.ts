import type { InstanceTable } from '../instances'
import type { Step, StepKind } from '../model/step'
import type { Sentence } from '../words'
import { aimStep } from './aim/apply'
import { gradeStep } from './grade/apply'
import type { StepContext, StepFunction } from './context'
import { reflectStep } from './reflect/apply'
import { thinStep } from './thin/apply'
import { varyStep } from './vary/apply'

type Steps = { readonly [K in StepKind]: StepFunction<Extract<Step, { kind: K }>> }

/** Every shaping step by its kind; a new one is entered here. */
const steps: Steps = { aim: aimStep, grade: gradeStep, thin: thinStep, reflect: reflectStep, vary: varyStep }

/** Applies a step. */
export const applyStep = <K extends StepKind>(
  table: InstanceTable,
  step: Extract<Step, { kind: K }>,
  only: Uint8Array | undefined,
  pattern: StepContext,
): Sentence => (steps[step.kind as K] as StepFunction<Extract<Step, { kind: K }>>)(table, step, only, pattern)
