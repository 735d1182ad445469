import type { Convex } from '../clearing/convex'
import type { Overlap } from '../clearing/overlaps'
import type { PatternOutcome } from '../evaluate'
import type { MirrorThings } from '../mirror/hands'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { PartSource } from '../parts/partMesh'
import type { StepKind } from '../steps/index'
import type { Sentence } from '../words'

/** Something that is wrong with an arrangement, in figures, and what it is about. */
export interface Finding {
  /** The name of its definition in the registry. */
  readonly what: string
  /** The pattern or the part that it is told of; neither where it is told of the whole. */
  readonly pattern?: string
  readonly part?: string
  /** Another pattern that it is about as well, and rows of that one's own table. */
  readonly other?: { readonly pattern: string; readonly rows: readonly number[] }
  /** The parts that it counts. */
  readonly parts?: readonly string[]
  /** Others of the name of its pattern or part. */
  readonly things?: readonly string[]
  readonly count: number
  /** How bad the worst of it is, in metres; 0 where there is no more or less. */
  readonly worst: number
  /** Rows of its pattern's own table. */
  readonly rows: readonly number[]
}

/** What a definition has found. */
export type Found = Omit<Finding, 'what'>

/** What can be done about a finding. */
export type Fix =
  /** A step is added that sees to it. */
  | { readonly by: 'step'; readonly words: string; readonly step: StepKind }
  /** The places of the copies are left empty. */
  | { readonly by: 'empty'; readonly words: string }
  /** The parts that are counted go. */
  | { readonly by: 'remove parts'; readonly words: string }
  /** Parts of one shape become one and its linked copies: the interface asks how. */
  | { readonly by: 'fold'; readonly words: string }
  /** The things get names of their own, numbered. */
  | { readonly by: 'rename'; readonly words: string }

/** A pattern as it was worked out: what is looked at. */
export type LookedAt = Pick<PatternOutcome, 'id' | 'table' | 'expanded' | 'owner' | 'frames' | 'astray'>

/** What is looked through: all patterns with what they came to. */
export interface Looked {
  readonly project: Project
  readonly outcomes: readonly LookedAt[]
  /** The pairs of a pattern's copies that overlap, the deepest first; no more than are listed. */
  overlapsOf(pattern: Pattern, outcome: LookedAt): readonly Overlap[]
  readonly things: Pick<MirrorThings, 'middleOf' | 'turnsOntoItself'>
  readonly source: PartSource
  /** The convex outline of a thing about its pivot; undefined for what takes up no room. */
  shapeOf(thing: number): Convex | undefined
}

/**
 * Everything that is known of one thing that can be wrong. A new one is a file with one of these and a line in the registry.
 */
export interface FindingDefinition {
  /** Those that weigh more come first; among equals the worst. */
  readonly weight: number
  /** Looks through everything that is shown; see `inEachPattern` for what is looked for in one pattern after another. */
  find(looked: Looked): Found[]
  /** It in words; `nameOf` gives the name of a pattern or a part. */
  says(finding: Finding, nameOf: (id: string) => string): Sentence
  readonly fixes: readonly Fix[]
}
