import { dealParts } from '../deal/deal'
import { Flag, InstanceTable } from '../instances'
import { placeLayout } from '../layouts/index'
import type { LayoutContext, Placement } from '../layouts/placement'
import { MAX_COPIES } from '../limits'
import { applyFits } from '../links/fits'
import type { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import { InnerImages } from './innerImages'
import { MirrorNoting } from '../mirror/notes'
import { movedAcross, sourcePatterns } from './mirrorSources'
import { mirrorThings } from '../parts/hands'
import { circleOfParts, type Part } from '../model/part'
import { type Pattern, thingsUsed } from '../model/pattern'
import type { Project } from '../model/project'
import { expand } from './nesting'
import { assemblyTable } from '../parts/assembly'
import { type MeshLibrary, type PartSource, pictureKey, restsOn } from '../parts/partMesh'
import { fromTurns } from '../geometry/rotation'
import { rowsOfSet } from '../selection/sets'
import type { StepContext } from '../steps/context'
import { applyStep } from '../steps/shaping'
import { varyRows } from '../steps/vary/varyRows'
import { isAssembly, supportOfPart } from '../parts/support'
import { type Support, supportOfTable } from '../spacing/support'
import { applyTouchUps } from './touchUps'
import { type Result, type Sentence, done, refused } from '../words'
import { clearPattern } from './clears'
import { leadingPatterns, stepsRestOn } from './leaning'
import { oneSeeded } from './oneSeed'
import { type PatternOutcome, nothing } from './outcome'
import { Surroundings } from './surroundings'

const circles = new WeakMap<readonly Part[], readonly string[]>()
/** Looked for once for each list of parts: most changes leave them alone. */
function circleIn(parts: readonly Part[]): readonly string[] {
  const known = circles.get(parts) ?? circleOfParts(parts) ?? []
  circles.set(parts, known)
  return known
}

/** One evaluation of a project. */
export class Run {
  private readonly done = new Map<string, PatternOutcome>()
  /** The patterns being worked out, outermost first: one that comes up again closes a cycle. */
  private readonly under: Pattern[] = []
  private readonly things = new Map<string, number>()
  private readonly assemblies = new Map<number, Result<InstanceTable>>()
  private readonly source: PartSource
  private readonly mirrorThings: MirrorThings
  private readonly surroundings: Surroundings
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
    this.surroundings = new Surroundings({
      project,
      source: this.source,
      outcomeOf: (pattern) => this.outcomeOf(pattern),
      supportOf: (thing) => this.supportOf(thing),
    })
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
    const { meshes } = this.source
    found.push(...stepsRestOn(pattern, this.project, (file) => meshes.get(pictureKey(file))))
    for (const id of leadingPatterns(pattern, this.project)) {
      const leading = this.project.patterns.find((p) => p.id === id)!
      found.push(leading.place, this.outcomeOf(leading))
    }
    if (pattern.layout.kind === 'mirror')
      for (const { slots } of sourcePatterns(pattern.layout.sources, this.project, pattern.id)) found.push(slots)
    return found
  }

  private workOut(pattern: Pattern, table: InstanceTable): PatternOutcome {
    const start = performance.now()
    const laid = this.layOut(oneSeeded(pattern), table)
    if (!laid.ok) return nothing(pattern, table, laid.problem, performance.now() - start)
    return { ...laid.value, milliseconds: performance.now() - start }
  }

  private place(pattern: Pattern, checking: boolean, noting: MirrorNoting): Result<Placement> {
    // A pattern that stands in a cycle has a problem of its own, which is this one's too.
    const leans = [...thingsUsed(pattern), ...leadingPatterns(pattern, this.project)]
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
      supportOf: (thing) => this.supportOf(thing),
      hostCopies: (id) => this.surroundings.hostCopies(id),
      thingOf: (id) => this.thingOf(id),
      mirror: {
        things: this.mirrorThings,
        frames: this.frames,
        noting,
        sources: (sources) => this.surroundings.mirrored(sources, pattern),
        copyAt: (id, slot) => this.surroundings.copyAt(id, slot, pattern.place),
      },
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
    const context: StepContext = {
      id: pattern.id,
      turn: fromTurns(pattern.place.turn),
      frames,
      colorOf: (thing) => this.project.parts[thing]?.look.color ?? '#808080',
      fields: this.surroundings.fieldsOf(pattern),
      reflect: { things, noting },
    }
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
    const cleared = clearPattern(pattern, table, placed.value.outcome, stepFacts, {
      project: this.project,
      source: this.source,
      surroundings: this.surroundings,
      supportOf: (thing) => this.supportOf(thing),
    })
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
      ...cleared,
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
    const own = Uint8Array.from(table.thing.subarray(0, table.count), (t) => (t === thing ? 1 : 0))
    for (const [i, variation] of part.variation.entries()) varyRows(table, variation, own, `${id} ${i}`, context)
  }

  /** Marks the copies that stand across a mirror instead. */
  private markMoved({ id }: Pattern, table: InstanceTable): void {
    for (const slots of this.moved.get(id) ?? []) {
      if (slots === 'all') for (let k = 0; k < table.count; k++) table.flags[k] |= Flag.away
      else for (const [k, named] of rowsOfSet(table, slots).entries()) if (named) table.flags[k] |= Flag.away
    }
  }

  private expanded(
    pattern: Pattern,
    table: InstanceTable,
    noting: MirrorNoting,
  ): Result<{ expanded: InstanceTable; owner?: Uint32Array }> {
    const whole = this.project.parts.map((part) => !isAssembly(part))
    let nested = false
    for (let k = 0; k < table.count && !nested; k++) nested = !whole[table.thing[k]]
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

  private thingOf(id: string): number {
    const thing = this.things.get(id)
    if (thing === undefined) throw new Error(`no part or pattern ${id}`)
    return thing
  }

  private patternAt(thing: number): Pattern {
    return this.project.patterns[thing - this.project.parts.length]
  }

  private supportOf(thing: number): Support {
    const part = this.project.parts[thing]
    if (part) return supportOfPart(part, this.source)
    const { expanded } = this.outcomeOf(this.patternAt(thing))
    return supportOfTable(expanded, (inner) => this.supportOf(inner))
  }
}

const sameRows = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i])
