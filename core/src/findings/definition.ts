import type { Crowd } from '../clearing/overlaps'
import type { PatternOutcome } from '../evaluate'
import type { MirrorThings } from '../mirror/hands'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { StepKind } from '../steps/index'
import type { Sentence } from '../words'

/** Something that is wrong with an arrangement, in figures, and the copies that it is about. */
export interface Finding {
  /** The name of its definition in the registry. */
  readonly what: string
  /** The pattern that it is told of. */
  readonly pattern: string
  readonly count: number
  /** How bad the worst of it is, in metres; 0 where there is no more or less. */
  readonly worst: number
  /** Rows of that pattern's own table. */
  readonly rows: readonly number[]
}

/** What can be done about a finding. */
export type Fix =
  /** A step is added that sees to it. */
  | { readonly by: 'step'; readonly words: string; readonly step: StepKind }
  /** The places of the copies are left empty. */
  | { readonly by: 'empty'; readonly words: string }

/** What is looked through: all patterns with what they came to. */
export interface Looked {
  readonly project: Project
  readonly outcomes: readonly PatternOutcome[]
  /** How the copies of a pattern stand to each other. */
  crowdOf(pattern: Pattern, outcome: PatternOutcome): Crowd
  readonly things: Pick<MirrorThings, 'middleOf' | 'turnsOntoItself'>
}

/** What came of looking at one pattern. */
export type FoundCopies = Pick<Finding, 'count' | 'worst' | 'rows'>

/**
 * Everything that is known of one thing that can be wrong. A new one is a file with one of these and a line in the registry.
 */
export interface FindingDefinition {
  /** Those that weigh more come first; among equals the worst. */
  readonly weight: number
  /** Looks through the patterns that are asked about, in order; nothing where it is not there. */
  find(looked: Looked): (pattern: Pattern, outcome: PatternOutcome) => FoundCopies | undefined
  /** It in words, with the name of its pattern. */
  says(finding: Finding, name: string): Sentence
  readonly fixes: readonly Fix[]
}
