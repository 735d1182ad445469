import type { Pattern } from './model/pattern'
import type { Project } from './model/project'
import { MEASURED_AT_ONCE, type PatternOutcome } from './evaluation/outcome'
import { type Kept, Run } from './evaluation/run'
import { Times, type WorkTime } from './evaluation/times'
import { type MeshLibrary, type PartSource } from './parts/partMesh'
import { supportOfPart } from './parts/support'
import { type Support, supportOfTable } from './spacing/support'
import { outlineOf } from './evaluation/outlines'
import type { Things } from './layouts/definition'
import { isLaidBy, measuredFacts } from './layouts/index'
import type { Facts, Result } from './words'

export { type PatternOutcome } from './evaluation/outcome'

/**
 * Works out patterns: deal, layout, shaping steps, touch-ups, what settles and clears; those that others repeat or accompany
 * first. Keeps what it worked out and does a pattern again only when the pattern, one of its parts or meshes, or a pattern
 * that it leans on has changed (told apart by identity, as edits of the document share the rest). Tables are kept and reused,
 * so an outcome is valid until the same pattern is worked out again. What comes of a document depends on the document alone.
 */
export class Evaluator {
  private readonly kept: Kept = new Map()
  /** How long the work of the last evaluation took, piece by piece; of what was not done again nothing is told. */
  times: readonly WorkTime[] = []

  evaluate(project: Project, meshes: MeshLibrary): PatternOutcome[] {
    const alive = new Set(project.patterns.map((pattern) => pattern.id))
    for (const id of this.kept.keys()) if (!alive.has(id)) this.kept.delete(id)
    const times = new Times()
    const run = new Run(project, meshes, this.kept, times)
    const outcomes = project.patterns.map((pattern) => run.outcomeOf(pattern))
    this.times = times.all
    return outcomes
  }
}

/** Says why a pattern could not be placed, without placing it; patterns that it repeats are worked out. */
export function checkPattern(project: Project, pattern: Pattern, meshes: MeshLibrary): Result<void> {
  return new Run(project, meshes, new Map()).check(pattern)
}

/** The support of each thing of a project, its patterns as they were worked out. */
export function supportIn(
  project: Project,
  meshes: MeshLibrary,
  outcomes: readonly Pick<PatternOutcome, 'id' | 'expanded'>[],
): (thing: number) => Support {
  const source: PartSource = { parts: project.parts, meshes }
  const supportOf = (thing: number): Support => {
    const part = project.parts[thing]
    if (part) return supportOfPart(part, source)
    const id = project.patterns[thing - project.parts.length]?.id
    const inner = outcomes.find((o) => o.id === id)
    return inner ? supportOfTable(inner.expanded.asRepeated(), supportOf) : () => ({ low: 0, high: 0 })
  }
  return supportOf
}

/** What may be asked of the things of a project where copies are measured. */
export function thingsIn(
  project: Project,
  meshes: MeshLibrary,
  outcomes: readonly Pick<PatternOutcome, 'id' | 'expanded'>[],
): Things {
  const supportOf = supportIn(project, meshes, outcomes)
  const source: PartSource = { parts: project.parts, meshes }
  return { supportOf, shapeOf: (thing) => outlineOf(thing, { project, source, supportOf }) }
}

/** All that follows from a pattern, also what is measured on a crowd. */
export function factsOf(
  project: Project,
  meshes: MeshLibrary,
  outcomes: readonly PatternOutcome[],
  { layout, id }: Pattern,
): Facts {
  const outcome = outcomes.find((o) => o.id === id)
  if (!outcome) return []
  const { facts, table } = outcome
  if (!isLaidBy(outcome, layout) || table.count <= MEASURED_AT_ONCE) return facts
  return [...facts, ...measuredFacts(layout, outcome, thingsIn(project, meshes, outcomes))]
}
