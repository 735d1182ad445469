import { dealParts } from './deal/deal'
import { InstanceTable } from './instances'
import { layLine, solveLine } from './layouts/line'
import { type Part, meshKey } from './model/part'
import type { Pattern } from './model/pattern'
import type { Project } from './model/project'
import type { Vec3 } from './model/values'
import type { Mesh } from './solids/mesh'
import { outlineAlong } from './solids/outline'
import { type Strip, stripAlong } from './spacing/strip'
import type { Held } from './spacing/solve'
import { applyTouchUps } from './touchUps'
import { type Problem, type Result, type Sentence, done } from './words'

/** Meshes read from files, by `meshKey`. */
export type MeshLibrary = ReadonlyMap<string, Mesh>

/** What a pattern's spacing came out as; lengths in metres along `direction` from the pattern's origin. */
export interface SpacingOutcome {
  readonly direction: Vec3
  readonly worked: Held
  readonly count: number
  readonly spacing: number
  readonly room: number
  readonly run: number
  readonly leftover: number
  readonly lead: number
  readonly lastBay: boolean
}

/** Everything that is known of a pattern once it is worked out: plain data that can cross to another thread. */
export interface PatternOutcome {
  readonly id: string
  readonly table: InstanceTable
  readonly touched: number
  readonly empty: number
  readonly spacing?: SpacingOutcome
  readonly facts: Sentence
  readonly working: Sentence
  /** Why nothing is placed. */
  readonly problem?: Problem
  readonly milliseconds: number
}

/**
 * Works out patterns: deal, layout, touch-ups. Keeps what it worked out and does a pattern again only when the pattern,
 * one of its parts or a mesh of theirs has changed (told apart by identity, as edits of the document share the rest).
 * Tables are kept and reused, so an outcome is valid until the same pattern is worked out again.
 */
export class Evaluator {
  private readonly kept = new Map<string, { pattern: Pattern; uses: readonly unknown[]; outcome: PatternOutcome }>()

  evaluate(project: Project, meshes: MeshLibrary): PatternOutcome[] {
    const alive = new Set(project.patterns.map((pattern) => pattern.id))
    for (const id of this.kept.keys()) if (!alive.has(id)) this.kept.delete(id)
    return project.patterns.map((pattern) => this.one(project, pattern, meshes))
  }

  private one(project: Project, pattern: Pattern, meshes: MeshLibrary): PatternOutcome {
    const before = this.kept.get(pattern.id)
    const uses = usedBy(project, pattern, meshes)
    if (before?.pattern === pattern && sameRows(before.uses, uses)) return before.outcome
    const outcome = workOut(project, pattern, meshes, before?.outcome.table ?? new InstanceTable())
    this.kept.set(pattern.id, { pattern, uses, outcome })
    return outcome
  }
}

/** The parts that a pattern deals or that its touch-ups name, with their place in the project and their meshes. */
function usedBy(project: Project, pattern: Pattern, meshes: MeshLibrary): unknown[] {
  const ids = new Set(pattern.deal.parts)
  for (const change of Object.values(pattern.touchUps)) if (change.part) ids.add(change.part)
  return [...ids].flatMap((id) => {
    const index = project.parts.findIndex((part) => part.id === id)
    return [index, project.parts[index], meshFor(project.parts[index], meshes)]
  })
}

/** The pattern unrolled along its direction, as its copies finally stand. */
export function stripOf(outcome: PatternOutcome, project: Project, meshes: MeshLibrary): Strip | undefined {
  return (
    outcome.spacing &&
    stripAlong(outcome.table, outcome.spacing.direction, project.parts, (part) => meshFor(part, meshes))
  )
}

/** Says why a pattern could not be placed, without placing it. */
export function checkPattern(project: Project, pattern: Pattern, meshes: MeshLibrary): Result<void> {
  const solved = solve(project, pattern, meshes)
  return solved.ok ? done(undefined) : solved
}

function solve(project: Project, pattern: Pattern, meshes: MeshLibrary) {
  const dealt = dealParts(pattern.deal, indexIn(project))
  const solved = solveLine(pattern.layout, dealt, (part, direction) => {
    const { shape } = project.parts[part]
    return outlineAlong(shape, direction, meshFor(project.parts[part], meshes))
  })
  return solved.ok ? done({ dealt, laid: solved.value }) : solved
}

function workOut(project: Project, pattern: Pattern, meshes: MeshLibrary, table: InstanceTable): PatternOutcome {
  const start = performance.now()
  const solved = solve(project, pattern, meshes)
  if (!solved.ok) {
    table.reset(0)
    const nothing = { id: pattern.id, table, touched: 0, empty: 0, facts: [], working: [] }
    return { ...nothing, problem: solved.problem, milliseconds: performance.now() - start }
  }
  const { dealt, laid } = solved.value
  layLine(table, laid, dealt)
  const hands = applyTouchUps(table, pattern.touchUps, indexIn(project))
  const milliseconds = performance.now() - start
  const { worked, count, spacing, room, run, leftover, lead, lastBay } = laid.answer
  return {
    id: pattern.id,
    table,
    ...hands,
    spacing: {
      direction: laid.direction,
      worked,
      count,
      spacing,
      room,
      run,
      leftover,
      lead,
      lastBay: lastBay !== undefined,
    },
    facts: laid.facts,
    working: laid.working,
    milliseconds,
  }
}

const meshFor = (part: Part, meshes: MeshLibrary): Mesh | undefined =>
  part.shape.kind === 'mesh' ? meshes.get(meshKey(part.shape)) : undefined

const sameRows = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i])

const indexIn =
  (project: Project) =>
  (id: string): number => {
    const index = project.parts.findIndex((part) => part.id === id)
    if (index < 0) throw new Error(`no part ${id}`)
    return index
  }
