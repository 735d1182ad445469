import { z } from 'zod'
import type { StepDefinition } from './definition'
import { phases } from './definition'
import { steps } from './registry'

type Definitions = typeof steps
type StepOfDefinition<D> = D extends StepDefinition<infer S> ? S : never

export type StepKind = keyof Definitions
export type StepOf<K extends StepKind> = StepOfDefinition<Definitions[K]>
export type Step = StepOf<StepKind>

/** All kinds of steps, in the order in which they are offered. */
export const stepKinds = Object.keys(steps) as StepKind[]

export const step = z.union(
  Object.values(steps).map(({ schema }) => schema) as unknown as [z.ZodType<Step>],
) as z.ZodType<Step>

/** What is known of a step's kind. */
export const stepDefinitionOf = (step: { readonly kind: StepKind }): StepDefinition<Step> =>
  steps[step.kind] as unknown as StepDefinition<Step>

/** Whether a step is of a kind, for what belongs to that kind alone. */
export const isStep = <K extends StepKind>(kind: K, step: Step | undefined): step is Step & StepOf<K> =>
  step?.kind === kind

/** The saved selection to which a step keeps. */
export const setOf = (step: Step): string | undefined => ('only' in step ? step.only : undefined)

const phaseOf = (step: Step): number => phases.indexOf(stepDefinitionOf(step).phase)

/** Steps in the order in which they are applied: as listed, phase by phase. */
export const inPhases = (list: readonly Step[]): Step[] => [...list].sort((a, b) => phaseOf(a) - phaseOf(b))

/** The steps that shape copies before touch-ups, and those that come after. */
export function byTouchUps(list: readonly Step[]): { readonly before: Step[]; readonly after: Step[] } {
  const sorted = inPhases(list)
  return { before: sorted.filter((s) => phaseOf(s) === 0), after: sorted.filter((s) => phaseOf(s) > 0) }
}
