import type { Convex } from '../clearing/convex'
import { type Track } from '../clearing/pushAlongPath'
import { movedOn } from '../clearing/track'
import { dealParts } from '../deal/deal'
import { Flag, InstanceTable } from '../instances'
import { fromTurns } from '../geometry/rotation'
import { type LaidOut, definitionOf, measuredFacts } from '../layouts/index'
import type { LayoutContext, Placement } from '../layouts/context'
import type { Things } from '../layouts/definition'
import { SurfaceFrames } from '../mirror/frames'
import type { MirrorThings } from '../mirror/hands'
import { MirrorNoting } from '../mirror/notes'
import { circleOfParts, type Part } from '../model/part'
import { type Pattern, pattern as patternSchema } from '../model/pattern'
import type { Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { mirrorThings } from '../parts/hands'
import { gapsByMesh } from '../parts/meshGaps'
import { type MeshLibrary, type PartSource, pictureKey, restsOn } from '../parts/partMesh'
import { supportOfPart } from '../parts/support'
import { rowsOfSet } from '../selection/sets'
import { Standing } from '../spacing/standing'
import { type Support, supportOfTable } from '../spacing/support'
import type { StepContext } from '../steps/context'
import type { SettleContext } from '../steps/settle/context'
import { type Step, byTouchUps, setOf, stepDefinitionOf } from '../steps/index'
import { varyRows } from '../steps/vary/varyRows'
import { seeded } from '../values/walk'
import { type Facts, type Result, done, fact, refused } from '../words'
import { applyFits } from './fits'
import { inAxes } from './inAxes'
import { isShaped } from './isShaped'
import { besides, leadingPatterns } from './leading'
import { movedAcross, sourcePatterns } from './mirrorSources'
import { MEASURED_AT_ONCE, type PatternOutcome, nothing } from './outcome'
import { agreed, type ShapeWish } from './agreed'
import { outlineOf } from './outlines'
import { Repeating } from './repeating'
import { groundSheet } from './groundSheet'
import { groundsUnder, restsIn } from './resting'
import { settleAndClear } from './settling'
import { Surroundings } from './surroundings'
import { applyTouchUps } from './touchUps'

const circles = new WeakMap<readonly Part[], readonly string[]>()
/** Looked for once for each list of parts: most changes leave them alone. */
function circleIn(parts: readonly Part[]): readonly string[] {
  const known = circles.get(parts) ?? circleOfParts(parts) ?? []
  circles.set(parts, known)
  return known
}

/** What is kept of a pattern from one evaluation to the next: what it rested on, and what it came to. */
export type Kept = Map<string, { uses: readonly unknown[]; outcome: PatternOutcome }>

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
  private readonly things = new Map<string, number>()
  private readonly source: PartSource
  private readonly mirrorThings: MirrorThings
  private readonly repeating: Repeating
  private readonly surroundings: Surroundings
  private readonly restOf: SettleContext['restOf']
  private readonly moved: ReturnType<typeof movedAcross>
  /** The names of parts that contain each other, of which nothing can be placed. */
  private readonly circle: readonly string[]

  constructor(
    private readonly project: Project,
    meshes: MeshLibrary,
    private readonly kept: Kept,
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
    this.restOf = restsIn({ project, source: this.source, outcomeOf: (pattern) => this.outcomeOf(pattern) })
    this.repeating = new Repeating({
      project,
      mirrorThings: this.mirrorThings,
      outcomeOf: (pattern) => this.outcomeOf(pattern),
      thingOf: (id) => this.thingOf(id),
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
        refused(`${names.join(' → ')}: a pattern cannot contain itself. Deal something else in one of them.`).problem,
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
    const placed = this.place(pattern, { checking: true, frames: new SurfaceFrames(), noting: new MirrorNoting() })
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
    found.push(...(this.moved.get(pattern.id) ?? []))
    const { meshes } = this.source
    found.push(...groundsUnder(pattern, this.project, this.source))
    found.push(...besides(pattern, this.project, (file) => meshes.get(pictureKey(file))))
    for (const id of leadingPatterns(pattern, this.project)) {
      const leading = this.project.patterns.find((p) => p.id === id)!
      found.push(leading.place, this.outcomeOf(leading))
    }
    const images = definitionOf(pattern.layout).images?.(pattern.layout)
    for (const { slots } of images ? sourcePatterns(images.sources, this.project, pattern.id) : [])
      found.push(...(slots ?? ['all']))
    return found
  }

  private workOut(pattern: Pattern, table: InstanceTable): PatternOutcome {
    const { seed } = pattern
    const laid = this.layOut(seed === undefined ? pattern : seeded(patternSchema, pattern, seed), table)
    return laid.ok ? laid.value : nothing(pattern, laid.problem, table)
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
      chancesOf: (id) => chancesOf(this.project.parts[this.thingOf(id)] ?? { id }),
    })
    const context: LayoutContext = {
      patternId: chancesOf(pattern),
      dealt,
      supportOf: (thing) => this.supportOf(thing),
      hostCopies: (id) => this.surroundings.hostCopies(id, pattern.id),
      thingOf: (id) => this.thingOf(id),
      mirror: {
        things: this.mirrorThings,
        frames,
        noting,
        sources: (sources) => this.surroundings.mirrored(sources, pattern, frames),
        copyAt: (id, slot) => this.surroundings.copyAt(id, slot, pattern.place),
      },
      groundOf: (id) => groundSheet(this.project, id, this.source, pattern.place),
      shapeOf: (thing) => this.shapeOf(thing),
      ...wish,
      checking,
    }
    return definitionOf(pattern.layout).place(pattern.layout, context)
  }

  private layOut(pattern: Pattern, table: InstanceTable): Result<PatternOutcome> {
    const shapes = isShaped(pattern, (id) => this.project.parts[this.thingOf(id)])
    const by = shapes ? definitionOf(pattern.layout).goesByStanding?.(pattern.layout) : undefined
    const shaped = agreed(by, (wish) => this.shape(pattern, table, wish))
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
  private shape(pattern: Pattern, table: InstanceTable, { watched, ...wish }: ShapeWish) {
    const [noting, frames] = [new MirrorNoting(), new SurfaceFrames()]
    const made = this.place(pattern, { checking: false, frames, noting, ...wish })
    if (!made.ok) return made
    const placed = made.value
    placed.write(table)
    table.slotsChanged()
    const laid = watched ? table.snapshot() : undefined
    const stepped: Stepped = { stepFacts: {}, rounds: {}, astray: {} }
    const context = this.stepContext(pattern, table, placed.outcome, { stepped, frames, noting })
    for (const id of thingsUsed(pattern)) this.varyByPart(table, pattern, id, context)
    for (const step of byTouchUps(pattern.steps).before) this.apply(step, pattern, table, context, stepped)
    const hands = applyTouchUps(table, pattern.touchUps, (id) => this.thingOf(id))
    if (pattern.fits) applyFits(table, pattern, (id) => this.things.get(id))
    return done({ placed, stepped, context, noting, frames, hands, standing: laid && new Standing(laid, table) })
  }

  private stepContext(
    pattern: Pattern,
    table: InstanceTable,
    laid: LaidOut,
    { stepped, frames, noting }: { stepped: Stepped; frames: SurfaceFrames; noting: MirrorNoting },
  ): StepContext {
    const { layout, place, id } = pattern
    const definition = definitionOf(layout)
    const area = definition.area?.(layout)
    let laidTrack: Track | undefined
    return {
      id: chancesOf(pattern),
      turn: fromTurns(place.turn),
      frames,
      colorOf: (thing) => this.project.parts[thing]?.look.color ?? '#808080',
      fields: this.surroundings.fieldsOf(pattern),
      reflect: { things: this.mirrorThings, noting },
      settle: {
        turn: fromTurns(place.turn),
        inWorld: (own) => inAxes(own, place),
        shapeOf: (thing) => this.shapeOf(thing),
        restOf: this.restOf,
      },
      clear: {
        patternId: chancesOf(pattern),
        shapeOf: (thing) => this.shapeOf(thing),
        clearanceOf: (thing) => this.project.parts[thing]?.clearance ?? 0,
        others: (other) => {
          const found = this.project.patterns.find((p) => p.id === other && p.id !== id)
          return found && this.surroundings.standingIn(place, found)
        },
        ...(area && { area }),
        track: () => {
          laidTrack ??= definition.track?.(layout, laid, table)
          return laidTrack && stepped.along ? movedOn(laidTrack, stepped.along) : laidTrack
        },
        ...(pattern.edges === 'mesh' && { gapsIn: gapsByMesh(this.source) }),
      },
    }
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
    const { facts, byRound, along, astray } = stepDefinitionOf(step).apply(table, step, only, context)
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
      varyRows(table, variation, own, `${chancesOf(part)} ${i}`, context)
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

/** The id under which a pattern's or a part's chances are drawn. */
const chancesOf = ({ id, chances }: { readonly id: string; readonly chances?: string | undefined }): string =>
  chances ?? id

const sameRows = <T>(a: readonly T[], b: readonly T[]): boolean =>
  a.length === b.length && a.every((item, i) => item === b[i])
