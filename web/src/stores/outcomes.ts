import type { Scene } from '@hilera/core/readers/scene'
import type { ReadMesh } from '@hilera/core/readers/readMesh'
import type { FileUnit } from '@hilera/core/model/part'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Project } from '@hilera/core/model/project'
import type { SymmetryPlane } from '@hilera/core/shapes/symmetry'
import type { Unrolled } from '@hilera/core/spacing/unroll'
import type { Result } from '@hilera/core/words'
import * as Comlink from 'comlink'
import type { Patch } from 'immer'
import { defineStore } from 'pinia'
import { computed, markRaw, ref, shallowRef } from 'vue'
import type { Evaluating } from '../worker/evaluate.worker'
import type { ChecksUpdate, CrowdUpdate, PatternUpdate, ProofUpdate, Update } from '../worker/messages'
import { useDocument } from './document'

/** After so long, in milliseconds, work shows that it is going on and can be stopped. */
const PATIENCE = 100

/** What the worker makes of the document. One request is under way at a time; what changes meanwhile goes with the next. */
export const useOutcomes = defineStore('outcomes', () => {
  const document = useDocument()
  const patterns = shallowRef<readonly PatternUpdate[]>([])
  const strip = shallowRef<{ readonly id: string; readonly strip: Unrolled | undefined }>()
  /** The overlaps of the pattern whose strip is read. */
  const crowd = shallowRef<CrowdUpdate>()
  const milliseconds = ref(0)
  /** True while work has been going on long enough to say so. */
  const working = ref(false)
  /** True once the worker's answer is that of the document as it stands. */
  const settled = ref(false)
  const watched = ref<string>()

  let worker: Worker | undefined
  let remote: Comlink.Remote<Evaluating> | undefined
  let waiting: Patch[] | 'all' | undefined
  let busy = false

  const copies = computed(() => patterns.value.reduce((n, p) => n + p.drawn, 0))
  /** Things of which some copy stands in the mirror image. */
  const twinned = computed(
    () => new Set(patterns.value.flatMap((p) => p.batches.flatMap((b) => (b.twin ? [b.part] : [])))),
  )
  const byId = computed(() => new Map(patterns.value.map((p) => [p.id, p])))

  function start(): Comlink.Remote<Evaluating> {
    worker = new Worker(new URL('../worker/evaluate.worker.ts', import.meta.url), { type: 'module' })
    remote = markRaw(Comlink.wrap<Evaluating>(worker))
    void remote.addMeshes(document.meshes)
    return remote
  }

  function take(update: Update): void {
    const before = byId.value
    patterns.value = update.patterns.map((p) => ('unchanged' in p ? before.get(p.id)! : markRaw(p)))
    milliseconds.value = update.milliseconds
  }

  document.onChange((patches) => {
    waiting = patches === 'all' || waiting === 'all' ? 'all' : [...(waiting ?? []), ...patches]
    settled.value = false
    if (!busy) void pump()
  })

  async function pump(): Promise<void> {
    busy = true
    const timer = setTimeout(() => (working.value = true), PATIENCE)
    try {
      while (waiting) {
        const to = remote ?? start()
        const request = waiting
        waiting = undefined
        // A proxy of the document cannot be sent, nor need it be: it is frozen plain data.
        take(await (request === 'all' ? to.load(document.project) : to.apply(request)))
        await readStrip()
      }
      settled.value = true
    } finally {
      clearTimeout(timer)
      working.value = false
      busy = false
    }
  }

  async function readStrip(): Promise<void> {
    const id = watched.value
    strip.value = id && remote ? { id, strip: await remote.strip(id) } : undefined
    crowd.value = id && remote ? await remote.crowd(id) : undefined
  }

  /** Keeps the strip of one pattern up to date. */
  async function watchStrip(id: string | undefined): Promise<void> {
    if (watched.value === id) return
    watched.value = id
    if (!busy) await readStrip()
  }

  /** Ends the work under way and takes back the change that caused it. */
  function stop(): void {
    worker?.terminate()
    remote = undefined
    waiting = 'all'
    busy = false
    working.value = false
    document.undo()
    if (!busy) void pump()
  }

  /** Adds meshes that have been read, under their `meshKey`s. */
  async function addMeshes(added: ReadonlyMap<string, ReadMesh['mesh']>): Promise<void> {
    document.addMeshes(new Map([...added].map(([key, mesh]) => [key, markRaw(mesh)])))
    const update = await (remote ?? start()).addMeshes(added)
    take(update)
    await readStrip()
  }

  const addMesh = (key: string, mesh: ReadMesh['mesh']): Promise<void> => addMeshes(new Map([[key, mesh]]))

  /** What another document would come to; nothing of it is kept. */
  async function asIf(project: Project): Promise<readonly PatternUpdate[]> {
    const { patterns: all } = await (remote ?? start()).asIf(project)
    return all.map((p) => markRaw(p as PatternUpdate))
  }

  /** What the document would come to with another state of one pattern. */
  async function proof(pattern: Pattern): Promise<ProofUpdate> {
    const made = await (remote ?? start()).proof(pattern)
    return { ...made, updates: made.updates.map((u) => markRaw(u)) }
  }

  const checks = (patternId: string | undefined): Promise<ChecksUpdate> => (remote ?? start()).checks(patternId)
  const symmetryOf = (partId: string): Promise<readonly SymmetryPlane[] | undefined> =>
    (remote ?? start()).symmetryOf(partId)
  const readFile = (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<ReadMesh>> =>
    (remote ?? start()).readFile(bytes, name, unit)
  const readScene = (bytes: Uint8Array, name: string, unit?: FileUnit): Promise<Result<Scene>> =>
    (remote ?? start()).readScene(bytes, name, unit)

  return {
    patterns,
    byId,
    twinned,
    strip,
    crowd,
    milliseconds,
    working,
    settled,
    copies,
    watchStrip,
    stop,
    addMesh,
    addMeshes,
    asIf,
    proof,
    checks,
    symmetryOf,
    readFile,
    readScene,
  }
})
