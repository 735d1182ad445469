import type { MadeText } from '@hilera/core/sentences/make'
import type { Scene } from '@hilera/core/readers/scene'
import type { ReadMesh } from '@hilera/core/readers/readMesh'
import { supportIn } from '@hilera/core/evaluate'
import type { FileUnit, Part, PartFrame } from '@hilera/core/model/part'
import type { PartSource } from '@hilera/core/parts/partMesh'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import type { Fallen, Split } from '@hilera/core/links/splitPart'
import type { SymmetryPlane } from '@hilera/core/shapes/symmetry'
import type { Unrolled } from '@hilera/core/layouts/unrolled'
import type { Across } from '@hilera/core/evaluation/across'
import type { Profile } from '@hilera/core/evaluation/profile'
import type { Facts, Result } from '@hilera/core/words'
import { type WriterOptions } from '@hilera/core/writers/definition'
import type { Placeable } from '@hilera/core/placing/body'
import type { Explained } from '@hilera/core/ledger/explain'
import type { Placed, Target } from '@hilera/core/placing/exactly'
import type { PartNames } from '@hilera/core/placing/intoPart'
import type { Space } from '@hilera/core/placing/space'
import type { Proposed } from '@hilera/core/placing/proposed'
import type { Act } from '@hilera/core/placing/registry'
import { until } from '@vueuse/core'
import type { Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowRef } from 'vue'
import type { Leapt } from '@hilera/core/motion/leaps'
import type { Evaluating } from '../worker/evaluate.worker'
import { WorkerClient, WorkerEnded } from '../worker/client'
import type {
  SpreadsUpdate,
  CompareUpdate,
  MomentUpdate,
  CrowdUpdate,
  ForecastUpdate,
  PatternUpdate,
  ProofUpdate,
  StripUpdate,
  Update,
} from '../worker/messages'
import { revived } from '../worker/revive'
import { useDocument } from './document'

/** Over one state of the document the worker is started again so often. */
const MOST_BREAKDOWNS = 1

/** After so long, in milliseconds, work shows that it is going on and can be stopped. */
export const PATIENCE = 100

/** What the worker makes of the document. One request is under way at a time; what changes meanwhile goes with the next. */
export const useOutcomes = defineStore('outcomes', () => {
  const document = useDocument()
  const patterns = shallowRef<readonly PatternUpdate[]>([])
  const strip = shallowRef<{
    readonly id: string
    readonly strip: Unrolled | undefined
    readonly facts: Facts
    readonly profile?: Profile | undefined
    readonly across?: Across | undefined
  }>()
  /** The overlaps of the pattern whose strip is read. */
  const crowd = shallowRef<CrowdUpdate>()
  /**
   * The document of which these are the outcomes. Numbers of things in tables and batches count its parts and patterns, not those of a
   * document that has changed since: to look them up there would mix one thing up with another until the worker has answered.
   */
  const worked = shallowRef<Project>(document.project)
  const source = computed<PartSource>(() => ({ parts: worked.value.parts, meshes: document.meshes }))
  /** The parts and patterns by those numbers. */
  const things = computed<readonly (Part | Pattern)[]>(() => [...worked.value.parts, ...worked.value.patterns])
  const numberOf = (id: string): number => things.value.findIndex((thing) => thing.id === id)
  /** How far things reach, by those numbers. */
  const supportOf = computed(() => supportIn(worked.value, document.meshes, patterns.value))
  const milliseconds = ref(0)
  /** Where the time of the last answer went, in milliseconds: of the work piece by piece, and of bringing it to the page. */
  const took = shallowRef<Pick<Update, 'packing' | 'times'> & { readonly sending: number }>({
    packing: 0,
    sending: 0,
    times: [],
  })
  /** True while work has been going on long enough to say so. */
  const working = ref(false)
  /** True once the worker's answer is that of the document as it stands. */
  const settled = ref(false)
  const watched = ref<string>()
  /** The pattern that was read last. */
  let lastRead: string | undefined

  let waiting: Patch[] | 'all' | undefined
  let busy = false
  /** How often the worker has broken down over the document as it stands. */
  let breakdowns = 0
  /** Why nothing is worked out any more, until the document changes. */
  const broken = ref<string>()

  const client = new WorkerClient<Evaluating>(
    () => new Worker(new URL('../worker/evaluate.worker.ts', import.meta.url), { type: 'module' }),
    (remote) => {
      // One that is started anew knows nothing yet.
      if (document.meshes.size > 0) void remote.addMeshes(document.meshes)
    },
    () => again(),
  )
  document.beJudged()

  const copies = computed(() => patterns.value.reduce((n, p) => n + p.present, 0))
  /** The same of the patterns that are shown. */
  const shown = computed(() => {
    const hidden = new Set(worked.value.patterns.flatMap((p) => (p.hidden ? [p.id] : [])))
    return patterns.value.reduce((n, p) => n + (hidden.has(p.id) ? 0 : p.present), 0)
  })
  /** Things of which some copy stands in the mirror image. */
  const twinned = computed(
    () => new Set(patterns.value.flatMap((p) => p.batches.flatMap((b) => (b.twin ? [b.part] : [])))),
  )
  const byId = computed(() => new Map(patterns.value.map((p) => [p.id, p])))

  function take(update: Update, of: Project): void {
    const before = byId.value
    worked.value = of
    patterns.value = update.patterns.map((p) => ('unchanged' in p ? before.get(p.id)! : revived(p)))
    milliseconds.value = update.milliseconds
  }

  document.onChange((patches) => {
    waiting = patches === 'all' || waiting === 'all' ? 'all' : [...(waiting ?? []), ...patches]
    settled.value = false
    breakdowns = 0
    broken.value = undefined
    if (!busy) void pump()
  })

  /** Begins again with the whole document, unless that breaks every worker down. */
  function again(): void {
    waiting = 'all'
    settled.value = false
    if (++breakdowns <= MOST_BREAKDOWNS) {
      if (!busy) void pump()
      return
    }
    broken.value = 'Working this out breaks down. Undo the last change, or lower a count.'
  }

  async function pump(): Promise<void> {
    busy = true
    const timer = setTimeout(() => (working.value = true), PATIENCE)
    try {
      while (waiting && !broken.value) {
        const request = waiting
        const asked = document.ask()
        waiting = undefined
        const start = performance.now()
        // A proxy of the document cannot be sent, nor need it be: it is frozen plain data.
        const update = await client.ask((to) => (request === 'all' ? to.load(asked.project) : to.apply(request)))
        // What is refused is taken back before it is drawn.
        if (document.judge(asked, new Map(update.problems))) continue
        take(update, asked.project)
        const { packing, times, milliseconds: worked } = update
        took.value = { packing, times, sending: Math.max(0, performance.now() - start - worked - packing) }
        // What is told of a pattern follows when nothing newer waits: measuring a crowd takes longer than working it out.
        if (!waiting) await readStrip()
      }
      settled.value = !broken.value
    } catch (fault) {
      if (!(fault instanceof WorkerEnded)) throw fault
    } finally {
      clearTimeout(timer)
      working.value = false
      busy = false
    }
    if (broken.value) return
    if (waiting) void pump()
    // Another one may be watched just as the one before has been told.
    else if (lastRead !== watched.value) await readStrip().catch(onlyEnded)
  }

  /** Reads what is told of the watched pattern, and of another one that is watched by the time it is told. */
  async function readStrip(): Promise<void> {
    const id = watched.value
    lastRead = id
    if (!id || !client.isRunning) return void ([strip.value, crowd.value] = [undefined, undefined])
    const [flat, told] = await Promise.all([
      client.ask<StripUpdate | undefined>((to) => to.strip(id)),
      client.ask((to) => to.crowd(id)),
    ])
    if (watched.value !== id) return readStrip()
    strip.value = { id, strip: flat?.strip, facts: flat?.facts ?? [], profile: flat?.profile, across: flat?.across }
    crowd.value = told
  }

  /** All that follows from a pattern: what is measured on a crowd comes with its strip. */
  const factsOf = ({ id, facts }: Pick<PatternUpdate, 'id' | 'facts'>): Facts =>
    strip.value?.id === id && strip.value.facts.length > facts.length ? strip.value.facts : facts

  /** Keeps the strip of one pattern up to date. */
  async function watchStrip(id: string | undefined): Promise<void> {
    if (watched.value === id) return
    watched.value = id
    if (!busy) await readStrip().catch(onlyEnded)
  }

  /** Ends the work under way and takes back the change that caused it. */
  function stop(): void {
    waiting = 'all'
    client.stop()
    document.undo()
  }

  /** Adds meshes that have been read, under their `meshKey`s. */
  async function addMeshes(added: ReadonlyMap<string, ReadMesh['mesh']>): Promise<void> {
    document.addMeshes(new Map([...added].map(([key, mesh]) => [key, markRaw(mesh)])))
    const asked = document.ask()
    const update = await client.ask((to) => to.addMeshes(added))
    if (waiting || document.ask().serial !== asked.serial) return
    take(update, asked.project)
    await readStrip()
  }

  const addMesh = (key: string, mesh: ReadMesh['mesh']): Promise<void> => addMeshes(new Map([[key, mesh]]))

  /** What another document would come to; nothing of it is kept. */
  async function asIf(project: Project): Promise<readonly PatternUpdate[]> {
    const { patterns: all } = await client.ask((to) => to.asIf(project))
    return all.map((p) => revived(p as PatternUpdate))
  }

  async function compare(other: Project): Promise<CompareUpdate> {
    await whenSettled()
    return client.ask((to) => to.compare(other))
  }

  /** What a text makes in the document as it stands, a part named that is placed where it names none. */
  const made = (text: string, part: string | undefined, without: readonly string[]): Promise<MadeText> =>
    client.ask((to) => to.made(text, part, without))

  /**
   * What an act on picked things comes to, in the document without the gesture that shows it.
   */
  async function act(of: Act, picked: readonly Placeable[], lead: Placeable | undefined): Promise<Result<Proposed>> {
    // The worker has the document as it stands only when it has answered for it.
    await whenSettled()
    return client.ask<Result<Proposed>>((to) => to.act(of, picked, lead, document.ghost()))
  }
  async function baseline(things: readonly Placeable[]): Promise<Result<Placed>> {
    await whenSettled()
    return client.ask<Result<Placed>>((to) => to.baseline(things))
  }
  async function place(targets: readonly Target[]): Promise<Result<Placed>> {
    await whenSettled()
    return client.ask<Result<Placed>>((to) => to.place(targets))
  }
  const explain = (patternId: string, slot: string): Promise<Explained | undefined> =>
    client.ask((to) => to.explain(patternId, slot))
  async function madeLive(
    things: readonly Placeable[],
    how: Space,
    id: string,
    name: string,
  ): Promise<Result<Project>> {
    await whenSettled()
    return client.ask<Result<Project>>((to) => to.madeLive(things, how, id, name))
  }
  async function intoPart(things: readonly Placeable[], ids: Omit<PartNames, 'newId'>): Promise<Result<Project>> {
    await whenSettled()
    return client.ask<Result<Project>>((to) => to.intoPart(things, ids))
  }
  async function withPivot(partId: string, frame: PartFrame | undefined): Promise<Result<Project>> {
    await whenSettled()
    return client.ask<Result<Project>>((to) => to.withPivot(partId, frame))
  }
  const whenSettled = (): Promise<unknown> => until(() => settled.value || broken.value !== undefined).toBe(true)

  async function moment(time: number): Promise<MomentUpdate> {
    await whenSettled()
    return client.ask((to) => to.moment(time))
  }
  async function leaps(picture: number): Promise<readonly Leapt[]> {
    await whenSettled()
    return client.ask((to) => to.leaps(picture))
  }

  /** What the document would come to with another state of one pattern. */
  async function proof(pattern: Pattern): Promise<ProofUpdate> {
    const made = await client.ask((to) => to.proof(pattern))
    return { ...made, updates: made.updates.map(revived) }
  }

  async function nearestGaps(): Promise<ReadonlyMap<string, Float64Array>> {
    await whenSettled()
    return new Map((await client.ask((to) => to.nearestGaps()).catch(onlyEnded)) ?? [])
  }
  const spreads = (patternId: string | undefined): Promise<SpreadsUpdate | undefined> =>
    client.ask((to) => to.spreads(patternId))
  /** What a file of the document as it stands would hold. */
  const forecast = (ending: string, options?: WriterOptions): Promise<ForecastUpdate> =>
    client.ask((to) => to.forecast(ending, options))
  const symmetryOf = (partId: string): Promise<readonly SymmetryPlane[] | undefined> =>
    client.ask((to) => to.symmetryOf(partId))
  const fallsInto = (partId: string, how: Split): Promise<Result<Fallen[]> | undefined> =>
    client.ask<Result<Fallen[]> | undefined>((to) => to.fallsInto(partId, how))
  const readFile = (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> =>
    client.ask<Result<ReadMesh>>((to) => to.readFile(bytes, name, unit))
  const readScene = (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<Scene>> =>
    client.ask<Result<Scene>>((to) => to.readScene(bytes, name, unit))

  return {
    begin: () => client.begin(),
    patterns,
    byId,
    twinned,
    worked,
    source,
    things,
    numberOf,
    supportOf,
    strip,
    crowd,
    milliseconds,
    took,
    working,
    settled,
    copies,
    shown,
    watchStrip,
    factsOf,
    stop,
    addMesh,
    addMeshes,
    asIf,
    compare,
    made,
    act,
    baseline,
    place,
    explain,
    madeLive,
    intoPart,
    withPivot,
    proof,
    moment,
    leaps,
    nearestGaps,
    spreads,
    forecast,
    broken,
    symmetryOf,
    fallsInto,
    readFile,
    readScene,
  }
})

/** Answers of a worker that ended are asked again by themselves. */
function onlyEnded(fault: unknown): void {
  if (!(fault instanceof WorkerEnded)) throw fault
}
