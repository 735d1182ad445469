import type { z } from 'zod'
import type { InstanceTable } from '../instances'
import type { Template } from '../sentences/nodes'
import type { Reflection } from '../values/reflection'
import type { Facts } from '../words'
import type { StepContext } from './context'

/** When a step has its turn: with the shaping ones, before touch-ups; or after them, to settle, and at last to clear. */
export const phases = ['shape', 'settle', 'clear'] as const
export type Phase = (typeof phases)[number]

/** What came of a step. */
export interface StepOutcome {
  readonly facts: Facts
  /** The worst miss in each round, where it worked in rounds; in metres. */
  readonly byRound?: readonly number[]
  /** How far each copy moved along its path, where they were pushed along one; in metres. */
  readonly along?: Float64Array
  /** Rows that found nothing to settle on. */
  readonly astray?: readonly number[]
}

/** What a new step may begin with: the grounds that there are, by their ids. */
export interface StepStart {
  readonly grounds: readonly string[]
}

/**
 * Everything that the core knows of one kind of step. A new one is a folder with one of these and a line in the registry;
 * nothing else asks for its kind.
 */
export interface StepDefinition<S extends { readonly kind: string; readonly id: string }> {
  readonly schema: z.ZodType<S>
  /** Its name in lists and menus. */
  readonly words: string
  /** What it does, in a few words. */
  readonly note: string
  readonly phase: Phase
  /** What would make it less work, where it can take long. */
  readonly eases?: string
  /** The sentence in which it is read, changed, copied as text and read back. */
  readonly sentence: Template<S>
  /** As it begins; `start` tells of what there is to begin with. */
  begin(id: string, start?: StepStart): S
  /** What the next of its kind begins with as the last one had it: choices and amounts, nothing that names or points at something. */
  readonly lasting?: readonly (keyof S & string)[]
  /**
   * Changes the copies so far in place and says what came of it.
   *
   * @param only the rows to which it keeps, 1 for each; all where it is absent
   */
  apply(table: InstanceTable, step: S, only: Uint8Array | undefined, context: StepContext): StepOutcome
  /** It adds images that are seen as a ghost before they are accepted. */
  readonly isProposed?: true
  /** It varies copies, as strongly as its pattern has it. */
  readonly varies?: true
  /** How it mirrors the copies so far. */
  reflection?(step: S): Reflection
  /** To within how much it keeps copies clear of each other, in metres. */
  within?(step: S): number
  /** The patterns from which it keeps copies clear, which are each pattern's own where several share it. */
  from?(step: S): readonly string[]
  setFrom?(step: S, patterns: readonly string[]): void
  /** The clearance that it keeps about copies, to be drawn while its sentence is read. */
  clearance?(step: S): number
}
