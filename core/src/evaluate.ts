import { clearCopies } from './clearing/clear'
import { type Convex, convexOf, convexOfBox } from './clearing/convex'
import { dealParts } from './deal/deal'
import { assemblyTable } from './parts/assembly'
import { inAxes } from './inAxes'
import { Flag, InstanceTable, slotOfKey } from './instances'
import { placeLayout } from './layouts/index'
import type { PlacedHost } from './layouts/companion'
import type { MirroredTable, MirrorContext } from './layouts/mirror'
import type { LaidOut, LayoutContext, Placement } from './layouts/placement'
import { MAX_COPIES } from './limits'
import { type SurfaceFrame, SurfaceFrames } from './mirror/frames'
import type { MirrorThings } from './mirror/hands'
import { InnerImages } from './mirror/innerImages'
import { type MirrorNotes, MirrorNoting } from './mirror/notes'
import { movedAcross, sourcePatterns } from './mirror/sources'
import { mirrorThings } from './mirror/things'
import { circleOfParts, type Part } from './model/part'
import { type Pattern, thingsUsed } from './model/pattern'
import type { Project } from './model/project'
import { expand } from './nesting'
import type { MirrorSource } from './model/mirror'
import type { Vec3 } from './model/values'
import { fromTurns, inverse, rotate } from './rotation'
import { type PartSource, restsOn } from './parts/partMesh'
import { applyFits } from './links/fits'
import { rowsOfSet } from './selection/sets'
import type { Mesh } from './solids/mesh'
import { type StepContext, applyStep } from './steps/shaping'
import { varyRows } from './steps/vary'
import { type Reach, boxOf, isAssembly, reachOfPart, reachOfTable } from './things'
import { applyTouchUps, rowOfSlot } from './touchUps'
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
  /** The surface frames that copies name by their numbers, the first of them 1. */
  readonly frames: readonly SurfaceFrame[]
  readonly touched: number
  readonly empty: number
  /** What its mirrors come to; absent where nothing is mirrored. */
  readonly mirrors?: MirrorNotes
  /** The worst miss in each round of pushing apart, by the clearing's id. */
  readonly rounds?: Readonly<Record<string, readonly number[]>>
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
  private readonly frames = new SurfaceFrames()

  evaluate(project: Project, meshes: MeshLibrary): PatternOutcome[] {
    const alive = new Set(project.patterns.map((pattern) => pattern.id))
    for (const id of this.kept.keys()) if (!alive.has(id)) this.kept.delete(id)
    const run = new Run(project, meshes, this.kept, this.frames)
    return project.patterns.map((pattern) => run.outcomeOf(pattern))
  }
}

/** Says why a pattern could not be placed, without placing it; patterns that it repeats are worked out. */
export function checkPattern(project: Project, pattern: Pattern, meshes: MeshLibrary): Result<void> {
  return new Run(project, meshes, new Map(), new SurfaceFrames()).check(pattern)
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
  private readonly mirrorThings: MirrorThings
  private readonly moved: ReturnType<typeof movedAcross>
  /** The names of parts that contain each other, of which nothing can be placed. */
  private readonly circle: readonly string[]

  constructor(
    private readonly project: Project,
    meshes: MeshLibrary,
    private readonly kept: Map<string, { uses: readonly unknown[]; outcome: PatternOutcome }>,
    private readonly frames: SurfaceFrames,
  ) {
    this.source = { parts: project.parts, meshes }
    this.mirrorThings = mirrorThings(
      this.source,
      (thing) => (project.parts[thing] ?? project.patterns[thing - project.parts.length]).id,
    )
    this.moved = movedAcross(project)
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
    const placed = this.place(pattern, true, new MirrorNoting())
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
    found.push(...(this.moved.get(pattern.id) ?? []))
    for (const { place } of this.project.patterns.filter(({ id }) => this.leading(pattern).includes(id)))
      found.push(place)
    for (const id of this.leading(pattern)) found.push(this.outcomeOf(this.project.patterns.find((p) => p.id === id)!))
    if (pattern.layout.kind === 'mirror')
      for (const { slots } of sourcePatterns(pattern.layout.sources, this.project, pattern.id)) found.push(slots)
    return found
  }

  /** The patterns whose copies a pattern leans on: its layout takes places from them, or it keeps clear of them. */
  private leading({ id, layout, clears }: Pattern): string[] {
    const { patterns } = this.project
    const kept = (clears ?? []).flatMap((c) => c.from).filter((other) => other !== id)
    return [...new Set([...this.leadingLayout({ id, layout }), ...kept])].filter((l) =>
      patterns.some((p) => p.id === l),
    )
  }

  private leadingLayout({ id, layout }: Pick<Pattern, 'id' | 'layout'>): string[] {
    const { patterns } = this.project
    if (layout.kind === 'companion') return patterns.some((p) => p.id === layout.host) ? [layout.host] : []
    if (layout.kind !== 'mirror') return []
    const through = layout.planes.flatMap((p) => (p.through.kind === 'copy' ? [p.through.pattern] : []))
    const sources = sourcePatterns(layout.sources, this.project, id).map((s) => s.pattern.id)
    return [...new Set([...sources, ...through.filter((t) => t !== id && patterns.some((p) => p.id === t))])]
  }

  private workOut(pattern: Pattern, table: InstanceTable): PatternOutcome {
    const start = performance.now()
    const laid = this.layOut(pattern, table)
    if (!laid.ok) return nothing(pattern, table, laid.problem, performance.now() - start)
    return { ...laid.value, milliseconds: performance.now() - start }
  }

  private place(pattern: Pattern, checking: boolean, noting: MirrorNoting): Result<Placement> {
    // A pattern that stands in a cycle has a problem of its own, which is this one's too.
    const leans = [...thingsUsed(pattern), ...this.leading(pattern)]
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
      mirror: this.mirrorContext(pattern, noting),
      checking,
    }
    return placeLayout(pattern.layout, context)
  }

  private layOut(pattern: Pattern, table: InstanceTable): Result<Omit<PatternOutcome, 'milliseconds'>> {
    const noting = new MirrorNoting()
    const placed = this.place(pattern, false, noting)
    if (!placed.ok) return placed
    placed.value.write(table)
    const stepFacts: Record<string, Sentence> = {}
    const { frames, mirrorThings: things } = this
    const context = { id: pattern.id, turn: fromTurns(pattern.place.turn), reflect: { things, frames, noting } }
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
    const rounds = this.clear(pattern, table, stepFacts)
    this.markMoved(pattern, table)
    const expanded = this.expanded(pattern, table, noting)
    if (!expanded.ok) return expanded
    const { facts, working, outcome } = placed.value
    const { all } = frames
    const { told } = noting
    return done({
      id: pattern.id,
      table,
      ...expanded.value,
      frames: all,
      ...(told && { mirrors: told }),
      ...(rounds && { rounds }),
      ...hands,
      laid: outcome,
      facts,
      working,
      stepFacts,
    })
  }

  /** The variation that a part brings with it, on its copies, unless the pattern does without. */
  private varyByPart(table: InstanceTable, pattern: Pattern, id: string, context: StepContext): void {
    const thing = this.thingOf(id)
    const part: Part | undefined = this.project.parts[thing]
    if (!part?.variation?.length || pattern.plain?.includes(id)) return
    const own = Uint8Array.from(table.part.subarray(0, table.count), (t) => (t === thing ? 1 : 0))
    for (const [i, variation] of part.variation.entries()) varyRows(table, variation, own, `${id} ${i}`, context)
  }

  /** Clears the copies of each other, as the pattern asks. */
  private clear(
    { id, clears, layout, place }: Pattern,
    table: InstanceTable,
    stepFacts: Record<string, Sentence>,
  ): Record<string, readonly number[]> | undefined {
    if (!clears?.length) return undefined
    const rounds: Record<string, readonly number[]> = {}
    for (const clear of clears) {
      const { facts, byRound } = clearCopies(table, clear, {
        patternId: id,
        shapeOf: (thing) => this.convexOf(thing),
        clearanceOf: (thing) => this.project.parts[thing]?.clearance ?? 0,
        others: (other) => {
          const pattern = this.project.patterns.find((p) => p.id === other && p.id !== id)
          return pattern && this.standingIn(place, pattern)
        },
        ...(layout.kind === 'fill' && { area: { outline: layout.outline, margin: layout.margin } }),
      })
      stepFacts[clear.id] = facts
      rounds[clear.id] = byRound
    }
    return rounds
  }

  /** The outline by which a thing takes up room; that of a whole pattern is its box. */
  private convexOf(thing: number): Convex | undefined {
    const part = this.project.parts[thing]
    if (part) return convexOf(part, this.source)
    const { low, high } = boxOf(this.reachOf(thing))
    return convexOfBox(low, high)
  }

  /** Marks the copies that stand across a mirror instead. */
  private markMoved({ id }: Pattern, table: InstanceTable): void {
    for (const slots of this.moved.get(id) ?? []) {
      if (slots === 'all') for (let k = 0; k < table.count; k++) table.flags[k] |= Flag.away
      else for (const [k, named] of rowsOfSet(table, slots).entries()) if (named) table.flags[k] |= Flag.away
    }
  }

  private mirrorContext(pattern: Pattern, noting: MirrorNoting): MirrorContext {
    const { move, turn } = pattern.place
    const back = inverse(fromTurns(turn))
    return {
      things: this.mirrorThings,
      frames: this.frames,
      noting,
      sources: (sources) => this.mirrored(sources, pattern),
      copyAt: (id, slot) => {
        const host = this.hostCopies(id)
        const row = host ? rowOfSlot(host.table, ...slotOfKey(slot)) : -1
        if (!host || row < 0) return undefined
        const at = rotate(host.turn, [...host.table.position.subarray(3 * row, 3 * row + 3)] as unknown as Vec3)
        return rotate(back, [0, 1, 2].map((i) => at[i] + host.move[i] - move[i]) as Vec3)
      },
    }
  }

  /** A pattern's copies in the axes of another, all of them parts. */
  private standingIn(place: Pattern['place'], pattern: Pattern): InstanceTable {
    return inAxes(this.outcomeOf(pattern).expanded, pattern.place, place)
  }

  /** The copies that a mirror mirrors, brought into its axes. */
  private mirrored(sources: readonly MirrorSource[], mirror: Pattern): MirroredTable[] {
    return sourcePatterns(sources, this.project, mirror.id).flatMap(({ pattern, slots }) => {
      const { problem, table, owner } = this.outcomeOf(pattern)
      if (problem) return []
      const here = this.standingIn(mirror.place, pattern)
      if (!slots) return [{ id: pattern.id, name: pattern.name, table: here }]
      const rows = rowsOfSet(table, slots)
      const wanted = owner ? Uint8Array.from({ length: here.count }, (_, k) => rows[owner[k]]) : rows
      return [{ id: pattern.id, name: pattern.name, table: here, wanted }]
    })
  }

  private expanded(
    pattern: Pattern,
    table: InstanceTable,
    noting: MirrorNoting,
  ): Result<{ expanded: InstanceTable; owner?: Uint32Array }> {
    const whole = this.project.parts.map((part) => !isAssembly(part))
    let nested = false
    for (let k = 0; k < table.count && !nested; k++) nested = !whole[table.part[k]]
    if (!nested) return done({ expanded: table })
    const images = new InnerImages(pattern, this.mirrorThings, this.frames, noting)
    const made = expand(table, (thing) => this.innerOf(thing), MAX_COPIES, images)
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

/** The surface frames of an evaluation, as its newest outcome has them. */
export const framesIn = (outcomes: readonly Pick<PatternOutcome, 'frames'>[]): readonly SurfaceFrame[] =>
  outcomes.reduce<readonly SurfaceFrame[]>((most, { frames }) => (frames.length > most.length ? frames : most), [])

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
    frames: [],
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
