import type { InstanceTable } from '../instances'
import type { Step, StepKind } from '../model/step'
import type { Quaternion } from '../rotation'
import type { Sentence } from '../words'
import { aimStep } from './aim'
import { gradeStep } from './grade'
import { type ReflectContext, reflectStep } from './reflect'
import { thinStep } from './thin'
import { varyStep } from './vary'

/**
 * A step changes the copies so far in place and says what came of it.
 *
 * @param only the rows to which it keeps, 1 for each; all where it is absent
 */
export type StepFunction<S extends Step> = (
  table: InstanceTable,
  step: S,
  only: Uint8Array | undefined,
  pattern: StepContext,
) => Sentence

/** What a step may know of its pattern. */
export interface StepContext {
  readonly id: string
  /** How the pattern's axes are turned in the world. */
  readonly turn: Quaternion
  readonly reflect: ReflectContext
}

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
