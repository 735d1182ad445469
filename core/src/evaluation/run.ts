import type { Convex } from '../clearing/convex'
import { ownSize } from '../asking/ownSize'
import { inOwnSize } from './inOwnSize'
import { dealParts } from '../deal/deal'
import { MAX_COPIES_IN_ALL } from '../limits'
import { Flag, InstanceTable } from '../instances'
import { type LaidOut, definitionOf, measuredFacts } from '../layouts/index'
import type { LayoutContext, Placement } from '../layouts/context'
import type { Things } from '../layouts/definition'
import { SurfaceFrames } from '../mirror/frames'
import { cycleProblem } from './cycle'
import type { MirrorThings } from '../mirror/hands'
import { MirrorNoting } from '../mirror/notes'
import type { Part } from '../model/part'
import { type Pattern, type Place, chancesOf, pattern as patternSchema } from '../model/pattern'
import type { Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { mirrorThings } from '../parts/hands'
import { pictureIn } from '../parts/pictureIn'
import { type MeshLibrary, type PartSource, pictureKey, restsOn } from '../parts/partMesh'
import { supportOfPart } from '../parts/support'
import { rowsOfSet } from '../selection/sets'
import { Standing } from '../spacing/standing'
import { type Support, supportOfTable } from '../spacing/support'
import type { StepContext } from '../steps/context'
import { type Step, byTouchUps, setOf, stepDefinitionOf } from '../steps/index'
import { varyRows } from '../steps/vary/varyRows'
import { seeded } from '../values/walk'
import { type Facts, type Result, done, fact, refused } from '../words'
import { circleIn } from './circles'
import { applyFits } from './fits'
import { isShaped } from './isShaped'
import { besides, leadingPatterns } from './leading'
import { movedAcross, sourcesOf } from './mirrorSources'
import { MEASURED_AT_ONCE, type PatternOutcome, nothing } from './outcome'
import { agreed, type ShapeWish } from './agreed'
import { outlineOf } from './outlines'
import { Repeating } from './repeating'
import { groundSheet } from './groundSheet'
import { guideDistances } from './guides'
import { groundsUnder, restsIn } from './resting'
import { settleAndClear } from './settling'
import { type Known, stepContext } from './stepContext'
import { Surroundings } from './surroundings'
import { applyTouchUps } from './touchUps'
import { Times } from './times'
import { ownUses } from './uses'

/** What is kept of a pattern from one evaluation to the next: what it rested on, and what it came to. */
export type Kept = Map<
  string,
  {
    readonly uses: readonly unknown[]
    /** Where it stood, where that was asked for. */
    readonly place: Place | undefined
    readonly outcome: PatternOutcome
  }
>

/** What came of a pattern's steps so far. */
interface Stepped {
  readonly stepFacts: Record<string, Facts>
  readonly rounds: Record<string, readonly number[]>
  along?: Float64Array
  /** Rows that found nothing to settle on, by the step's id. */
  readonly astray: Record<string, readonly number[]>
}

/** One evaluation of a project. */
export class Run {
  private readonly done = new Map<string, PatternOutcome>()
  /** The patterns being worked out, outermost first: one that comes up again closes a cycle. */
  private readonly under: Pattern[] = []
  /** So many copies are placed by now, of all patterns. */
  private placed = 0
  private readonly things = new Map<string, number>()
  private readonly source: PartSource
  private readonly mirrorThings: MirrorThings
  private readonly repeating: Repeating
  private readonly surroundings: Surroundings
  private readonly forSteps: Known
  private readonly moved: ReturnType<typeof movedAcross>
  /** The patterns whose places in the world were asked for while they were worked out. */
  private readonly asked = new Set<string>()
  /** The names of parts that contain each other, of which nothing can be placed. */
  private readonly circle: readonly string[]

  constructor(
    private readonly project: Project,
    meshes: MeshLibrary,
    private readonly kept: Kept,
    private readonly times = new Times(),
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
    this.repeating = new Repeating({
      project,
      mirrorThings: this.mirrorThings,
      outcomeOf: (pattern) => this.outcomeOf(pattern),
      thingOf: (id) => this.thingOf(id),
    })
    this.moved = movedAcross(project)
    this.forSteps = {
      project,
      source: this.source,
      surroundings: this.surroundings,
      things: this.mirrorThings,
      restOf: restsIn({ project, source: this.source, outcomeOf: (pattern) => this.outcomeOf(pattern) }),
      shapeOf: (thing) => this.shapeOf(thing),
    }
    this.circle = circleIn(project.parts)
    // Parts come first among the things, patterns after them.
    for (const [i, { id }] of [...project.parts, ...project.patterns].entries()) this.things.set(id, i)
  }

  outcomeOf(pattern: Pattern): PatternOutcome {
    const known = this.done.get(pattern.id)
    if (known) return known
    const from = this.under.indexOf(pattern)
    if (from >= 0) return nothing(pattern, cycleProblem(this.under.slice(from)))
    const outcome = this.placed < MAX_COPIES_IN_ALL ? this.counted(pattern) : this.tooMany(pattern)
    this.done.set(pattern.id, outcome)
    return outcome
  }

  private counted(pattern: Pattern): PatternOutcome {
    this.under.push(pattern)
    const worked = this.fresh(pattern)
    this.under.pop()
    const { count } = worked.table
    if (this.placed + count > MAX_COPIES_IN_ALL) return this.tooMany(pattern)
    this.placed += count
    return worked
  }

  /** What is said of a pattern whose copies are too many for all together; they are not kept. */
  private tooMany(pattern: Pattern): PatternOutcome {
    this.kept.delete(pattern.id)
    return nothing(
      pattern,
      refused(
        'All patterns together place more than ',
        { count: MAX_COPIES_IN_ALL },
        ' copies with this one, the most that a project can hold. Place fewer here or elsewhere.',
      ).problem,
    )
  }

  check(pattern: Pattern): Result<void> {
    this.under.push(pattern)
    const placed = this.place(pattern, { checking: true, frames: new SurfaceFrames(), noting: new MirrorNoting() })
    this.under.pop()
    return placed.ok ? done(undefined) : placed
  }

  private fresh(pattern: Pattern): PatternOutcome {
    const before = this.kept.get(pattern.id)
    const uses = [...ownUses(pattern), ...this.leansOn(pattern)]
    const stays = before && (!before.place || before.place === pattern.place)
    if (stays && sameRows(before.uses, uses)) return before.outcome
    const outcome = this.workOut(pattern, before?.outcome.table ?? new InstanceTable())
    this.kept.set(pattern.id, { uses, place: this.asked.has(pattern.id) ? pattern.place : undefined, outcome })
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
    found.push(...(this.moved.get(pattern.id) ?? []))
    const { meshes } = this.source
    found.push(...groundsUnder(pattern, this.project, this.source))
    found.push(...besides(pattern, this.project, (file) => meshes.get(pictureKey(file))))
    for (const id of leadingPatterns(pattern, this.project)) {
      const leading = this.project.patterns.find((p) => p.id === id)!
      found.push(leading.place, this.outcomeOf(leading))
    }
    for (const { slots, imagesAs } of sourcesOf(pattern, this.project)) {
      found.push(imagesAs)
      for (const slot of slots ?? ['all']) found.push(slot)
    }
    return found
  }

  private workOut(pattern: Pattern, table: InstanceTable): PatternOutcome {
    const { seed } = pattern
    const laid = this.layOut(seed === undefined ? pattern : seeded(patternSchema, pattern, seed), table)
    return laid.ok ? laid.value : nothing(pattern, laid.problem, table)
  }

  /** Where a pattern that is worked out stands in the world; noted, as it is to be worked out again where that changes. */
  private placeOf({ id, place }: Pattern): Place {
    this.asked.add(id)
    return place
  }

  private place(
    pattern: Pattern,
    {
      checking,
      frames,
      noting,
      ...wish
    }: { checking: boolean; frames: SurfaceFrames; noting: MirrorNoting } & Omit<ShapeWish, 'watched'>,
  ): Result<Placement<LaidOut>> {
    // A pattern that stands in a cycle has a problem of its own, which is this one's too.
    const leans = [...thingsUsed(pattern), ...leadingPatterns(pattern, this.project)]
    for (const id of leans) {
      const inner = this.project.patterns.find((p) => p.id === id)
      const { problem } = inner ? this.outcomeOf(inner) : {}
      if (problem) return { ok: false, problem }
    }
    const { circle } = this
    if (circle.length > 0) return refused(`${circle.join(' → ')}: a part cannot contain itself. Take one of them out.`)
    const dealt = dealParts(pattern.deal, chancesOf(pattern), {
      thingOf: (id) => this.thingOf(id),
      variantsOf: (id) => this.project.parts[this.thingOf(id)]?.variants ?? [],
      nameOf: (id) => (this.project.parts[this.thingOf(id)] ?? this.patternAt(this.thingOf(id))).name,
      chancesOf: (id) => chancesOf(this.project.parts[this.thingOf(id)] ?? { id }),
    })
    const context: LayoutContext = {
      patternId: chancesOf(pattern),
      dealt,
      hostCopies: (id) => this.surroundings.hostCopies(id, pattern.id),
      distanceTo: guideDistances(this.project, pattern.id, () => this.placeOf(pattern)),
      thingOf: (id) => this.thingOf(id),
      mirror: {
        things: this.mirrorThings,
        frames,
        noting,
        sources: (sources) =>
          this.surroundings.mirrored(sources, { id: pattern.id, place: this.placeOf(pattern) }, frames),
        copyAt: (id, slot) => this.surroundings.copyAt(id, slot, this.placeOf(pattern)),
      },
      pictureOf: (file) => pictureIn(this.source, file),
      groundOf: (id) => groundSheet(this.project, id, this.source, this.placeOf(pattern)),
      ...inOwnSize(pattern, wish, this.measuring),
      ...wish,
      checking,
    }
    return definitionOf(pattern.layout).place(pattern.layout, context)
  }

  private layOut(pattern: Pattern, table: InstanceTable): Result<PatternOutcome> {
    const goesBy = definitionOf(pattern.layout).goesByStanding?.(pattern.layout)
    const shaping = goesBy?.handsAside ? { ...pattern, touchUps: {} } : pattern
    const by = isShaped(shaping, (id) => this.project.parts[this.thingOf(id)]) ? goesBy : undefined
    const shaped = agreed(by, (wish) => this.shape(pattern, table, wish, by?.handsAside))
    if (!shaped.ok) return shaped
    const { placed, stepped, context, noting, frames, hands, note } = shaped.value
    settleAndClear(byTouchUps(pattern.steps).after, table, stepped, (step) =>
      this.apply(step, pattern, table, context, stepped),
    )
    this.markMoved(pattern, table)
    const expanded = this.repeating.expanded(pattern, table, frames, noting)
    if (!expanded.ok) return expanded
    const { facts, working, outcome } = placed
    const { told } = noting
    return done({
      id: pattern.id,
      table,
      ...expanded.value,
      frames: frames.all,
      ...(told && { mirrors: told }),
      ...stepped,
      ...hands,
      laid: outcome,
      facts: [
        ...facts,
        ...(table.count <= MEASURED_AT_ONCE
          ? measuredFacts(
              pattern.layout,
              { table, laid: outcome, ...(stepped.along && { along: stepped.along }) },
              this.measuring,
            )
          : []),
        ...note,
      ],
      working,
    })
  }

  private readonly measuring: Things = {
    supportOf: (thing) => this.supportOf(thing),
    shapeOf: (thing) => this.shapeOf(thing),
  }

  /** Lays copies out and shapes them: all but what settles and clears them. */
  private shape(pattern: Pattern, table: InstanceTable, { watched, ...wish }: ShapeWish, handsAside = false) {
    const [noting, frames] = [new MirrorNoting(), new SurfaceFrames()]
    const made = this.times.measure(pattern.id, undefined, () => {
      const placed = this.place(pattern, { checking: false, frames, noting, ...wish })
      if (placed.ok) placed.value.write(table)
      return placed
    })
    if (!made.ok) return made
    const placed = made.value
    table.slotsChanged()
    const laid = watched ? table.snapshot() : undefined
    const stepped: Stepped = { stepFacts: {}, rounds: {}, astray: {} }
    const laying = { laid: placed.outcome, frames, noting, along: () => stepped.along }
    const context = stepContext(this.forSteps, pattern, () => this.placeOf(pattern), table, laying)
    for (const id of thingsUsed(pattern)) this.varyByPart(table, pattern, id, context)
    for (const step of byTouchUps(pattern.steps).before) this.apply(step, pattern, table, context, stepped)
    const untouched = laid && handsAside ? table.snapshot() : table
    const hands = applyTouchUps(table, pattern.touchUps, (id) => this.thingOf(id), frames)
    for (const shaped of new Set([table, untouched])) applyFits(shaped, pattern, (id) => this.things.get(id))
    return done({
      placed,
      stepped,
      context,
      noting,
      frames,
      hands,
      standing: laid && new Standing(laid, untouched, ownSize(pattern)),
    })
  }

  /** Applies one step and keeps what came of it. */
  private apply(step: Step, pattern: Pattern, table: InstanceTable, context: StepContext, stepped: Stepped): void {
    const setId = setOf(step)
    const set = setId === undefined ? undefined : this.project.sets.find((s) => s.id === setId)
    if (setId !== undefined && !set) {
      stepped.stepFacts[step.id] = [fact('selection', 'its saved selection is not there: choose another')]
      return
    }
    const only = set && rowsOfSet(table, set.copies[pattern.id] ?? [])
    const { facts, byRound, along, astray } = this.times.measure(pattern.id, step.id, () =>
      stepDefinitionOf(step).apply(table, step, only, context),
    )
    stepped.stepFacts[step.id] = facts
    if (byRound) stepped.rounds[step.id] = byRound
    if (astray) stepped.astray[step.id] = astray
    if (along) stepped.along = stepped.along ? along.map((n, k) => n + stepped.along![k]) : along
  }

  /** The variation that a part brings with it, on its copies, unless the pattern does without. */
  private varyByPart(table: InstanceTable, pattern: Pattern, id: string, context: StepContext): void {
    const thing = this.thingOf(id)
    const part: Part | undefined = this.project.parts[thing]
    if (!part?.variation?.length || pattern.plain?.includes(id)) return
    const own = Uint8Array.from(table.thing.subarray(0, table.count), (t) => (t === thing ? 1 : 0))
    for (const [i, variation] of part.variation.entries())
      varyRows(table, variation, own, `${chancesOf(part)} ${i}`, context, context)
  }

  /** Marks the copies that stand across a mirror instead. */
  private markMoved({ id }: Pattern, table: InstanceTable): void {
    for (const slots of this.moved.get(id) ?? []) {
      if (slots === 'all') for (let k = 0; k < table.count; k++) table.flags[k] |= Flag.away
      else for (const [k, named] of rowsOfSet(table, slots).entries()) if (named) table.flags[k] |= Flag.away
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

  /** The outline by which a thing takes up room. */
  private shapeOf(thing: number): Convex | undefined {
    return outlineOf(thing, { project: this.project, source: this.source, supportOf: (t) => this.supportOf(t) })
  }

  private supportOf(thing: number): Support {
    const part = this.project.parts[thing]
    if (part) return supportOfPart(part, this.source)
    const inner = this.repeating.of(this.patternAt(thing))
    return inner.ok ? supportOfTable(inner.value.expanded, (own) => this.supportOf(own)) : () => ({ low: 0, high: 0 })
  }
}

const sameRows = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i])
