import type { InstanceTable } from '../instances'
import type { SurfaceFrames } from '../mirror/frames'
import type { Step, StepKind } from '../model/step'
import type { Quaternion } from '../rotation'
import type { Sentence } from '../words'
import { aimStep } from './aim'
import type { Fields } from './fields'
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
  /** How the surfaces of copies are, by their numbers. */
  readonly frames: SurfaceFrames
  /** The colour of a thing; of a whole pattern the middle of all greys. */
  readonly colorOf: (thing: number) => string
  readonly fields: Fields
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
