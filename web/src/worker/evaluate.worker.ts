import { Evaluator, type PatternOutcome, supportIn, thingsIn, factsOf } from '@hilera/core/evaluate'
import { outlineOf } from '@hilera/core/evaluation/outlines'
import type { WorkTime } from '@hilera/core/evaluation/times'
import { followersOf } from '@hilera/core/evaluation/followers'
import type { WorkedScene } from '@hilera/core/writers/scene'
import { writerFor } from '@hilera/core/writers/index'
import type { WriterOptions } from '@hilera/core/writers/definition'
import { spreadsOf } from '@hilera/core/evaluation/spreads'
import type { Convex } from '@hilera/core/clearing/convex'
import type { Overlap } from '@hilera/core/clearing/overlaps'
import { acrossOf } from '@hilera/core/evaluation/across'
import type { PartSource } from '@hilera/core/parts/partMesh'
import { compareCopies } from '@hilera/core/compare/copies'
import { compareTexts } from '@hilera/core/compare/texts'
import { nearestIn, overlapsIn } from '@hilera/core/evaluation/overlaps'
import { readPartFile } from '@hilera/core/readers/partFile'
import type { Scene } from '@hilera/core/readers/scene'
import type { ReadMesh } from '@hilera/core/readers/readMesh'
import type { FileUnit, PartFrame } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import { emptyProject, type Project } from '@hilera/core/model/project'
import { type Fallen, type Split, fallsInto } from '@hilera/core/links/splitPart'
import { symmetryPlanesOf } from '@hilera/core/parts/hands'
import type { SymmetryPlane } from '@hilera/core/shapes/symmetry'
import type { Mesh } from '@hilera/core/geometry/mesh'
import type { InstanceTable } from '@hilera/core/instances'
import { profileOf } from '@hilera/core/evaluation/profile'
import { restsIn } from '@hilera/core/evaluation/resting'
import type { Things } from '@hilera/core/layouts/definition'
import { standsAlong, unrolled } from '@hilera/core/layouts/index'
import { backToBaseline } from '@hilera/core/placing/baseline'
import { type Placed, type Target, placedExactly } from '@hilera/core/placing/exactly'
import { type Explained, explained } from '@hilera/core/ledger/explain'
import { lockedAmong } from '@hilera/core/placing/locked'
import { withPivot } from '@hilera/core/placing/pivot'
import type { Leapt } from '@hilera/core/motion/leaps'
import { type PartNames, intoPart } from '@hilera/core/placing/intoPart'
import { madeLiveAs } from '@hilera/core/placing/live'
import type { Space } from '@hilera/core/placing/space'
import { bodiesOf, type Placeable } from '@hilera/core/placing/body'
import { type Proposed, proposed } from '@hilera/core/placing/proposed'
import type { Act } from '@hilera/core/placing/registry'
import { type MadeText, madeByText } from '@hilera/core/sentences/make'
import { type Result, refused } from '@hilera/core/words'
import * as Comlink from 'comlink'
import { applyPatches, enablePatches, type Patch } from 'immer'
import { config as zodConfig } from 'zod'
import { batchesOf } from './batches'
import { MomentsSent } from './momentsSent'
import {
  MOST_TOLD,
  type ForecastUpdate,
  type MomentUpdate,
  type CompareUpdate,
  type CrowdUpdate,
  type PatternUpdate,
  type ProofUpdate,
  type SpreadsUpdate,
  type StripUpdate,
  type Update,
} from './messages'

zodConfig({ jitless: true })
enablePatches()

const meshes = new Map<string, Mesh>()
const evaluator = new Evaluator()
let project: Project = emptyProject('Untitled arrangement')
/** Works out variants, beside what is on the stage. */
const trying = new Evaluator()
let outcomes: PatternOutcome[] = []
let sent = new Map<string, PatternOutcome>()
/** Counts texts that were read, so that no two of them make things of one id. */
let run = Math.floor(Math.random() * 36 ** 6)

/** Works out patterns away from the interface. Keeps the document in step by the patches of its changes. */
const evaluating = {
  load(document: Project): Update {
    project = document
    sent = new Map()
    return workOut()
  },

  apply(patches: Patch[]): Update {
    project = applyPatches(project, patches)
    return workOut()
  },

  /** How the copies of a pattern stand to each other; undefined when there is no such pattern, or too many to look at live. */
  crowd(patternId: string): CrowdUpdate | undefined {
    const outcome = outcomes.find((o) => o.id === patternId)
    return outcome && outcome.table.count <= MOST_LIVE ? crowdOf(outcome) : undefined
  },

  /** From each copy to the nearest other one of its pattern, a row each; of patterns with too many copies nothing. */
  nearestGaps(): [pattern: string, gaps: Float64Array][] {
    return outcomes
      .filter(({ table }) => table.count <= MOST_LIVE)
      .map(({ id, table }) => [id, nearestIn(table, shapeOf, edgesOf(patternOf(id)))])
  },

  /** What the document would come to with another state of one pattern; what does not change is not worked out again. */
  proof(pattern: Pattern): ProofUpdate {
    const other = { ...project, patterns: project.patterns.map((p) => (p.id === pattern.id ? pattern : p)) }
    const all = trying.evaluate(other, meshes)
    const own = all.find((o) => o.id === pattern.id)!
    const along = followersOf(other, pattern.id).add(pattern.id)
    const changed = all.filter((o) => along.has(o.id))
    const { patterns } = packed(changed, thingsIn(other, meshes, all), other, () => false, performance.now())
    return { updates: patterns as PatternUpdate[], figures: figuresOf(pattern, own.table) }
  },

  /** Measures how the copies of a pattern are spread; undefined where there is none, or too many. */
  spreads(patternId: string | undefined): SpreadsUpdate | undefined {
    const at = project.patterns.findIndex((p) => p.id === patternId)
    if (at < 0 || outcomes[at].table.count > MOST_LIVE) return undefined
    const bare: Pattern = { ...project.patterns[at], steps: [], touchUps: {} }
    const other = { ...project, patterns: project.patterns.map((p, i) => (i === at ? bare : p)) }
    const before = trying.evaluate(other, meshes)[at].table
    const by = edgesOf(project.patterns[at])
    const [rounds] = Object.values(outcomes[at].rounds)
    return {
      now: spreadsOf(outcomes[at].table, shapeOf, by),
      before: spreadsOf(before, shapeOf, by),
      rounds: rounds ?? [],
    }
  },

  /** What a text makes in the document, worked out, as though what some ids name were not there. */
  made: (text: string, part: string | undefined, without: readonly string[]): MadeText => {
    const is = ({ id }: { readonly id: string }): boolean => !without.includes(id)
    const before = { ...project, parts: project.parts.filter(is), patterns: project.patterns.filter(is) }
    let made = 0
    // Ids of this worker's own: a text is made once, from the last reading.
    const newId = (kind: string): string => `${kind}-${run.toString(36)}-${(++made).toString(36)}`
    run++
    return madeByText(text, { project: before, part, newId }, (other) => trying.evaluate(other, meshes))
  },

  /**
   * What an act on picked things comes to.
   *
   * @param without what leads back from the document as it is to how it was before the act, where that is shown already
   */
  act(act: Act, picked: readonly Placeable[], lead: Placeable | undefined, without: Patch[]): Result<Proposed> {
    const before = without.length > 0 ? applyPatches(project, without) : project
    const evaluate = (other: Project): PatternOutcome[] => trying.evaluate(other, meshes)
    const now = evaluate(before)
    const worked = { project: before, outcomes: now, ...thingsIn(before, meshes, now) }
    return proposed(act, picked, lead, worked, evaluate)
  },

  /** The document in which spaced copies are a live line, ring or path. */
  madeLive(things: readonly Placeable[], how: Space, id: string, name: string): Result<Project> {
    const now = trying.evaluate(project, meshes)
    const worked = { project, outcomes: now, ...thingsIn(project, meshes, now) }
    const all = [...project.parts, ...project.patterns]
    const names = {
      id,
      name,
      idOf: (thing: number) => all[thing].id,
      nameOf: (thing: number) => all[thing].name,
      // Mirror images are refused.
      twinOf: (thing: number) => all[thing].id,
    }
    return madeLiveAs(worked, bodiesOf(worked, things), how, names, (other) => trying.evaluate(other, meshes))
  },

  /** The document in which picked things are one part. */
  intoPart(things: readonly Placeable[], ids: Omit<PartNames, 'newId'>): Result<Project> {
    const now = trying.evaluate(project, meshes)
    let made = 0
    const names = { ...ids, newId: () => `${ids.part}-${++made}` }
    return intoPart({ project, outcomes: now, supportOf: supportIn(project, meshes, now) }, things, names)
  },

  /** The document in which a part has another pivot and nothing that is placed moves. */
  withPivot: (partId: string, frame: PartFrame | undefined): Result<Project> =>
    withPivot(project, partId, frame, meshes, (other) => trying.evaluate(other, meshes)),

  /** Why a copy stands where it stands; undefined when there is no such copy. */
  explain: (patternId: string, slot: string): Explained | undefined =>
    explained(project, patternId, slot, (other) => trying.evaluate(other, meshes)),

  /** What makes copies stand exactly elsewhere. */
  place(targets: readonly Target[]): Result<Placed> {
    const locked = lockedAmong(
      { project, outcomes },
      targets.map(({ of }) => of),
    )
    if (locked) return refused(`${locked} is locked. Unlock it, or leave it out.`)
    return placedExactly(project, targets, (other) => trying.evaluate(other, meshes))
  },

  /** What brings things back to their baseline. */
  baseline: (things: readonly Placeable[]): Result<Placed> =>
    backToBaseline(project, things, (other) => trying.evaluate(other, meshes)),

  /** The document as it is at a moment of its motion, in seconds; patterns that are as at the moment before are only named. */
  moment: (time: number): MomentUpdate => moments().at(time),

  /** What leaps from one picture to the next, where they are asked for in order from 0 on. */
  leaps: (picture: number): readonly Leapt[] => moments().leaps(picture),

  /** What another document would come to, beside the one that is worked on. */
  asIf(other: Project): Update {
    const all = new Evaluator().evaluate(other, meshes)
    return packed(all, thingsIn(other, meshes, all), other, () => false, performance.now())
  },

  /** What became of copies and sentences from another state of the document to this one. */
  compare(other: Project): CompareUpdate {
    const came = new Evaluator().evaluate(other, meshes)
    const [before, now] = [
      { project: other, outcomes: came },
      { project, outcomes },
    ]
    return { copies: compareCopies(before, now), texts: compareTexts(before, now) }
  },

  /** What a file of the document would hold, with usual options where none are chosen. */
  forecast(ending: string, chosen: WriterOptions = {}): ForecastUpdate {
    const writer = writerFor(`.${ending}`)
    const scene: WorkedScene = { project, outcomes, source: { parts: project.parts, meshes } }
    if (!writer.ok) return { forecast: writer, options: chosen, choices: [], cannotHold: [] }
    const copies = outcomes.reduce((n, o, i) => n + (project.patterns[i].hidden ? 0 : o.expanded.presentCount()), 0)
    const options = { ...writer.value.usual(copies), ...chosen }
    return {
      forecast: writer.value.forecast(scene, options),
      options,
      choices: writer.value.choices.filter((c) => c.matters?.(scene) ?? true).map((c) => c.key),
      cannotHold: writer.value.cannotHold(scene),
      advice: writer.value.advice?.(copies),
    }
  },

  /** A pattern laid out flat; undefined when there is no such pattern. */
  strip(patternId: string): StripUpdate | undefined {
    const pattern = project.patterns.find((p) => p.id === patternId)
    const outcome = outcomes.find((o) => o.id === patternId)
    if (!pattern || !outcome) return undefined
    const things = thingsIn(project, meshes, outcomes)
    const restOf = restsIn({
      project,
      source: { parts: project.parts, meshes },
      outcomeOf: ({ id }) => outcomes.find((o) => o.id === id)!,
    })
    const profile = profileOf(pattern, outcome, { restOf, shapeOf: things.shapeOf })
    const found = (id: string): PatternOutcome | undefined => outcomes.find((o) => o.id === id)
    const across = acrossOf(pattern, outcome, project, found, things.supportOf)
    return {
      strip: unrolled(pattern.layout, outcome, things),
      facts: factsOf(project, meshes, outcomes, pattern),
      ...(profile && { profile }),
      ...(across && { across }),
    }
  },

  addMeshes(added: ReadonlyMap<string, Mesh>): Update {
    for (const [key, mesh] of added) meshes.set(key, mesh)
    return workOut()
  },

  /** The planes in which a part is its own mirror image; undefined when there is no such part. */
  symmetryOf(partId: string): readonly SymmetryPlane[] | undefined {
    const part = project.parts.find((p) => p.id === partId)
    return part && symmetryPlanesOf(part, { parts: project.parts, meshes })
  },

  /** What a part would fall into. */
  fallsInto(partId: string, how: Split): Result<Fallen[]> | undefined {
    const part = project.parts.find((p) => p.id === partId)
    return part && fallsInto(part, { parts: project.parts, meshes }, how)
  },

  readFile: (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> =>
    readPartFile(bytes, name, unit),

  readScene: async (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<Scene>> =>
    (await import('@hilera/core/readers/scene')).readScene(bytes, name, unit),
}

export type Evaluating = typeof evaluating

/** So many copies are compared with each other at every change. */
const MOST_LIVE = 20_000

function figuresOf(pattern: Pattern, table: InstanceTable): ProofUpdate['figures'] {
  if (table.count > MOST_LIVE) return { overlaps: 0, nearest: Infinity, spread: 0 }
  const gaps = Array.from(nearestIn(table, shapeOf, edgesOf(pattern))).filter(Number.isFinite)
  const mean = gaps.reduce((a, b) => a + b, 0) / Math.max(gaps.length, 1)
  const spread = Math.sqrt(gaps.reduce((s, g) => s + (g - mean) ** 2, 0) / Math.max(gaps.length, 1))
  return {
    overlaps: overlapsOf(pattern, table).length,
    nearest: gaps.reduce((a, b) => Math.min(a, b), Infinity),
    spread,
  }
}

function crowdOf({ id, table }: PatternOutcome): CrowdUpdate {
  const overlaps = overlapsOf(patternOf(id), table)
  return { id, count: overlaps.length, overlaps: overlaps.slice(0, MOST_TOLD) }
}

const overlapsOf = (pattern: Pattern, table: InstanceTable): readonly Overlap[] =>
  overlapsIn(pattern, table, shapeOf, { parts: project.parts, meshes })

/** Where a pattern's gaps are told by triangles, what these are of. */
const edgesOf = ({ edges }: Pattern): PartSource | undefined =>
  edges === 'mesh' ? { parts: project.parts, meshes } : undefined

const patternOf = (id: string): Pattern => project.patterns.find((p) => p.id === id)!

/** The outline by which a thing takes up room. */
const shapeOf = (thing: number): Convex | undefined =>
  outlineOf(thing, {
    project,
    source: { parts: project.parts, meshes },
    supportOf: (inner) => supportIn(project, meshes, outcomes)(inner),
  })

const inMoments = { shown: new Evaluator(), looked: new Evaluator() }
/** The moments of the document as it stands. */
let inTime: { readonly of: Project; readonly meshes: number; readonly moments: MomentsSent } | undefined
function moments(): MomentsSent {
  if (inTime?.of !== project || inTime.meshes !== meshes.size)
    inTime = { of: project, meshes: meshes.size, moments: new MomentsSent(project, meshes, packed, inMoments) }
  return inTime.moments
}

function workOut(): Update {
  const start = performance.now()
  outcomes = evaluator.evaluate(project, meshes)
  const before = sent
  sent = new Map(outcomes.map((outcome) => [outcome.id, outcome]))
  const isKnown = (outcome: PatternOutcome): boolean => before.get(outcome.id) === outcome
  return packed(outcomes, thingsIn(project, meshes, outcomes), project, isKnown, start, evaluator.times)
}

/** Outcomes as they go to the page, with what the stage draws of them; those that it has are only named. */
function packed(
  all: readonly PatternOutcome[],
  things: Things,
  of: Project,
  isKnown: (outcome: PatternOutcome) => boolean,
  start: number,
  times: readonly WorkTime[] = [],
): Update {
  const milliseconds = performance.now() - start
  const transfers: ArrayBuffer[] = []
  const layoutOf = new Map(of.patterns.map(({ id, layout }) => [id, layout]))
  const patterns = all.map((outcome): Update['patterns'][number] => {
    if (isKnown(outcome)) return { id: outcome.id, unchanged: true }
    const table = outcome.table.snapshot()
    const expanded = outcome.owner ? outcome.expanded.snapshot() : table
    const copies =
      outcome.copies === outcome.table
        ? table
        : outcome.copies === outcome.expanded
          ? expanded
          : outcome.copies.snapshot()
    const batches = batchesOf(expanded, outcome.frames, table, outcome.owner)
    for (const sent of new Set([table, copies, expanded])) {
      for (const array of Object.values(sent))
        if (ArrayBuffer.isView(array)) transfers.push(array.buffer as ArrayBuffer)
    }
    for (const { rows, placed } of batches) transfers.push(rows.buffer as ArrayBuffer, placed.buffer as ArrayBuffer)
    return {
      ...outcome,
      table,
      copies,
      expanded,
      batches,
      stands: standsAlong(layoutOf.get(outcome.id)!, outcome, things),
      present: copies.presentCount(),
      places: copies.count,
    } satisfies PatternUpdate
  })
  const problems = all.flatMap(({ id, problem }) => (problem ? [[id, problem] as const] : []))
  const packing = performance.now() - start - milliseconds
  return Comlink.transfer({ patterns, problems, milliseconds, packing, times }, transfers)
}

Comlink.expose(evaluating)
