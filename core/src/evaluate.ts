import { dealParts } from './deal/deal'
import { assemblyTable } from './parts/assembly'
import { InstanceTable } from './instances'
import { placeLayout } from './layouts/index'
import type { PlacedHost } from './layouts/companion'
import type { LaidOut, LayoutContext, Placement } from './layouts/placement'
import { MAX_COPIES } from './limits'
import { circleOfParts, type Part } from './model/part'
import { type Pattern, thingsUsed } from './model/pattern'
import type { Project } from './model/project'
import { expand } from './nesting'
import { fromTurns } from './rotation'
import { type PartSource, restsOn } from './parts/partMesh'
import { applyFits } from './links/fits'
import { rowsOfSet } from './selection/sets'
import type { Mesh } from './solids/mesh'
import { type StepContext, applyStep } from './steps/shaping'
import { varyRows } from './steps/vary'
import { type Reach, isAssembly, reachOfPart, reachOfTable } from './things'
import { applyTouchUps } from './touchUps'
import { type Problem, type Result, type Sentence, done, refused } from './words'

/** Meshes read from files, by `meshKey`. */
export type MeshLibrary = ReadonlyMap<string, Mesh>

/** Everything that is known of a pattern once it is worked out: plain data that can cross to another thread. */
export interface PatternOutcome {
  readonly id: string
  /** The pattern's own copies, each a part or a whole other pattern. */
  readonly table: InstanceTable
  /** The copies as parts alone; the same table where no pattern is repeated. */
  readonly expanded: InstanceTable
  /** For each row of `expanded` the row of `table` that it came from; absent where they are the same. */
  readonly owner?: Uint32Array
  readonly touched: number
  readonly empty: number
  /** Absent where nothing is placed. */
  readonly laid?: LaidOut
  readonly facts: Sentence
  readonly working: Sentence
  /** What came of each step, by its id. */
  readonly stepFacts: Readonly<Record<string, Sentence>>
  /** Why nothing is placed. */
  readonly problem?: Problem
  readonly milliseconds: number
}

/**
 * Works out patterns: deal, layout, shaping steps, touch-ups; those that others repeat or accompany first. Keeps what it
 * worked out and does a pattern again only when the pattern, one of its parts or meshes, or a pattern that it leans on has
 * changed (told apart by identity, as edits of the document share the rest). Tables are kept and reused, so an outcome is
 * valid until the same pattern is worked out again.
 */
export class Evaluator {
  private readonly kept = new Map<string, { uses: readonly unknown[]; outcome: PatternOutcome }>()

  evaluate(project: Project, meshes: MeshLibrary): PatternOutcome[] {
    const alive = new Set(project.patterns.map((pattern) => pattern.id))
    for (const id of this.kept.keys()) if (!alive.has(id)) this.kept.delete(id)
    const run = new Run(project, meshes, this.kept)
    return project.patterns.map((pattern) => run.outcomeOf(pattern))
  }
}

/** Says why a pattern could not be placed, without placing it; patterns that it repeats are worked out. */
export function checkPattern(project: Project, pattern: Pattern, meshes: MeshLibrary): Result<void> {
  return new Run(project, meshes, new Map()).check(pattern)
}

const circles = new WeakMap<readonly Part[], readonly string[]>()
/** Looked for once for each list of parts: most changes leave them alone. */
function circleIn(parts: readonly Part[]): readonly string[] {
  const known = circles.get(parts) ?? circleOfParts(parts) ?? []
  circles.set(parts, known)
  return known
}

/** One evaluation of a project. */
class Run {
  private readonly done = new Map<string, PatternOutcome>()
  /** The patterns being worked out, outermost first: one that comes up again closes a cycle. */
  private readonly under: Pattern[] = []
  private readonly things = new Map<string, number>()
  private readonly assemblies = new Map<number, Result<InstanceTable>>()
  private readonly source: PartSource
  /** The names of parts that contain each other, of which nothing can be placed. */
  private readonly circle: readonly string[]

  constructor(
    private readonly project: Project,
    meshes: MeshLibrary,
    private readonly kept: Map<string, { uses: readonly unknown[]; outcome: PatternOutcome }>,
  ) {
    this.source = { parts: project.parts, meshes }
    this.circle = circleIn(project.parts)
    // Parts come first among the things, patterns after them.
    for (const [i, { id }] of [...project.parts, ...project.patterns].entries()) this.things.set(id, i)
  }

  outcomeOf(pattern: Pattern): PatternOutcome {
    const known = this.done.get(pattern.id)
    if (known) return known
    if (this.under.includes(pattern)) {
      const names = [...this.under.slice(this.under.indexOf(pattern)), pattern].map((p) => p.name)
      return nothing(
        pattern,
        new InstanceTable(),
        refused(`${names.join(' → ')}: a pattern cannot contain itself. Deal something else in one of them.`).problem,
        0,
      )
    }
    this.under.push(pattern)
    const outcome = this.fresh(pattern)
    this.under.pop()
    this.done.set(pattern.id, outcome)
    return outcome
  }

  check(pattern: Pattern): Result<void> {
    this.under.push(pattern)
    const placed = this.place(pattern, true)
    this.under.pop()
    return placed.ok ? done(undefined) : placed
  }

  private fresh(pattern: Pattern): PatternOutcome {
    const before = this.kept.get(pattern.id)
    const uses = [pattern, ...this.leansOn(pattern)]
    if (before && sameRows(before.uses, uses)) return before.outcome
    const outcome = this.workOut(pattern, before?.outcome.table ?? new InstanceTable())
    this.kept.set(pattern.id, { uses, outcome })
    return outcome
  }

  /** The parts with their places and meshes, and the outcomes of the patterns, on which a pattern rests. */
  private leansOn(pattern: Pattern): unknown[] {
    const found: unknown[] = [this.project.parts.length]
    const seen = new Set<string>()
    const add = (id: string): void => {
      if (seen.has(id)) return
      seen.add(id)
      const thing = this.thingOf(id)
      const part = this.project.parts[thing]
      if (!part) return void found.push(thing, this.outcomeOf(this.patternAt(thing)))
      found.push(thing, part, ...restsOn(part, this.source))
      for (const variant of part.variants ?? []) add(variant)
    }
    for (const id of thingsUsed(pattern)) add(id)
    for (const { only } of pattern.steps)
      if (only !== undefined) found.push(this.project.sets.find((set) => set.id === only)?.copies[pattern.id])
    if (pattern.layout.kind === 'companion') {
      const { host } = pattern.layout
      const leading = this.project.patterns.find((p) => p.id === host)
      if (leading) found.push(leading, this.outcomeOf(leading))
    }
    return found
  }

  private workOut(pattern: Pattern, table: InstanceTable): PatternOutcome {
    const start = performance.now()
    const laid = this.layOut(pattern, table)
    if (!laid.ok) return nothing(pattern, table, laid.problem, performance.now() - start)
    return { ...laid.value, milliseconds: performance.now() - start }
  }

  private place(pattern: Pattern, checking: boolean): Result<Placement> {
    // A pattern that stands in a cycle has a problem of its own, which is this one's too.
    const leans = [...thingsUsed(pattern), ...(pattern.layout.kind === 'companion' ? [pattern.layout.host] : [])]
    for (const id of leans) {
      const inner = this.project.patterns.find((p) => p.id === id)
      const { problem } = inner ? this.outcomeOf(inner) : {}
      if (problem) return { ok: false, problem }
    }
    const { circle } = this
    if (circle.length > 0) return refused(`${circle.join(' → ')}: a part cannot contain itself. Take one of them out.`)
    const dealt = dealParts(pattern.deal, pattern.id, {
      thingOf: (id) => this.thingOf(id),
      variantsOf: (id) => this.project.parts[this.thingOf(id)]?.variants ?? [],
    })
    const context: LayoutContext = {
      patternId: pattern.id,
      dealt,
      reachOf: (thing) => this.reachOf(thing),
      hostCopies: (id) => this.hostCopies(id),
      thingOf: (id) => this.thingOf(id),
      checking,
    }
    return placeLayout(pattern.layout, context)
  }

  private layOut(pattern: Pattern, table: InstanceTable): Result<Omit<PatternOutcome, 'milliseconds'>> {
    const placed = this.place(pattern, false)
    if (!placed.ok) return placed
    placed.value.write(table)
    const stepFacts: Record<string, Sentence> = {}
    const context = { id: pattern.id, turn: fromTurns(pattern.place.turn) }
    for (const id of thingsUsed(pattern)) this.varyByPart(table, pattern, id, context)
    for (const step of pattern.steps) {
      const set = step.only === undefined ? undefined : this.project.sets.find((s) => s.id === step.only)
      stepFacts[step.id] =
        step.only !== undefined && !set
          ? ['its saved selection is not there: choose another']
          : applyStep(table, step, set && rowsOfSet(table, set.copies[pattern.id] ?? []), context)
    }
    const hands = applyTouchUps(table, pattern.touchUps, (id) => this.thingOf(id))
    if (pattern.fits) applyFits(table, pattern, (id) => this.things.get(id))
    const expanded = this.expanded(table)
    if (!expanded.ok) return expanded
    const { facts, working, outcome } = placed.value
    return done({ id: pattern.id, table, ...expanded.value, ...hands, laid: outcome, facts, working, stepFacts })
  }

  /** The variation that a part brings with it, on its copies, unless the pattern does without. */
  private varyByPart(table: InstanceTable, pattern: Pattern, id: string, context: StepContext): void {
    const thing = this.thingOf(id)
    const part: Part | undefined = this.project.parts[thing]
    if (!part?.variation?.length || pattern.plain?.includes(id)) return
    const own = Uint8Array.from(table.part.subarray(0, table.count), (t) => (t === thing ? 1 : 0))
    for (const [i, variation] of part.variation.entries()) varyRows(table, variation, own, `${id} ${i}`, context)
  }

  private expanded(table: InstanceTable): Result<{ expanded: InstanceTable; owner?: Uint32Array }> {
    const whole = this.project.parts.map((part) => !isAssembly(part))
    let nested = false
    for (let k = 0; k < table.count && !nested; k++) nested = !whole[table.part[k]]
    if (!nested) return done({ expanded: table })
    const made = expand(table, (thing) => this.innerOf(thing), MAX_COPIES)
    return made.ok ? done({ expanded: made.value.table, owner: made.value.owner }) : made
  }

  /** The copies of which a thing consists; undefined for a part that is one piece. */
  private innerOf(thing: number): Result<InstanceTable> | undefined {
    const part: Part | undefined = this.project.parts[thing]
    if (part && !isAssembly(part)) return undefined
    if (!part) {
      const { problem, expanded } = this.outcomeOf(this.patternAt(thing))
      return problem ? { ok: false, problem } : done(expanded)
    }
    const known = this.assemblies.get(thing)
    if (known) return known
    const made = expand(
      assemblyTable(part, (id) => this.thingOf(id)),
      (inner) => this.innerOf(inner),
      MAX_COPIES,
    )
    const result = made.ok ? done(made.value.table) : made
    this.assemblies.set(thing, result)
    return result
  }

  private hostCopies(id: string): PlacedHost | undefined {
    const host = this.project.patterns.find((p) => p.id === id)
    if (!host) return undefined
    const { expanded } = this.outcomeOf(host)
    return {
      name: host.name,
      table: expanded,
      move: host.place.move,
      turn: fromTurns(host.place.turn),
      reachOf: (thing) => this.reachOf(thing),
      pointOf: (thing, name) => this.project.parts[thing]?.points?.find((p) => p.name === name)?.at,
    }
  }

  private thingOf(id: string): number {
    const thing = this.things.get(id)
    if (thing === undefined) throw new Error(`no part or pattern ${id}`)
    return thing
  }

  private patternAt(thing: number): Pattern {
    return this.project.patterns[thing - this.project.parts.length]
  }

  private reachOf(thing: number): Reach {
    const part = this.project.parts[thing]
    if (part) return reachOfPart(part, this.source)
    const { expanded } = this.outcomeOf(this.patternAt(thing))
    return reachOfTable(expanded, (inner) => this.reachOf(inner))
  }
}

/** The reach of each thing of a project, its patterns as they were worked out. */
export function reachIn(
  project: Project,
  meshes: MeshLibrary,
  outcomes: readonly Pick<PatternOutcome, 'id' | 'expanded'>[],
): (thing: number) => Reach {
  const source: PartSource = { parts: project.parts, meshes }
  const reachOf = (thing: number): Reach => {
    const part = project.parts[thing]
    if (part) return reachOfPart(part, source)
    const id = project.patterns[thing - project.parts.length]?.id
    const inner = outcomes.find((o) => o.id === id)
    return inner ? reachOfTable(inner.expanded, reachOf) : () => ({ low: 0, high: 0 })
  }
  return reachOf
}

function nothing(pattern: Pattern, table: InstanceTable, problem: Problem, milliseconds: number): PatternOutcome {
  table.reset(0)
  return {
    id: pattern.id,
    table,
    expanded: table,
    touched: 0,
    empty: 0,
    facts: [],
    working: [],
    stepFacts: {},
    problem,
    milliseconds,
  }
}

const sameRows = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i])
