import { meshKey } from '@hilera/core/model/part'
import { PGM } from '@hilera/core/pictures/pgm'
import { pictureKey } from '@hilera/core/parts/partMesh'
import type { Project } from '@hilera/core/model/project'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import { del, get, set } from 'idb-keyval'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, Away, Refusal } from '../api/client'
import { useDocument } from './document'
import { pictureMesh } from '@hilera/core/parts/pictureMesh'
import { useOutcomes } from './outcomes'

export type SaveState = 'saved' | 'saving' | 'away' | 'conflict' | 'refused'

interface Kept {
  readonly revision: number
  readonly document: Project
}

/** A list in groups whose key is the same. */
function groupedBy<T>(list: readonly T[], key: (item: T) => string): T[][] {
  const groups = new Map<string, T[]>()
  for (const item of list) groups.set(key(item), [...(groups.get(key(item)) ?? []), item])
  return [...groups.values()]
}

const keyOf = (id: string): string => `hilera.unsent.${id}`

/** Brings a project from the server and back to it. While the server is away, changes wait in this browser. */
export const useSession = defineStore('session', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const state = ref<SaveState>('saved')
  const revision = ref(0)
  const detail = ref('')
  let dirty = false
  let sending = false

  async function open(id: string): Promise<void> {
    const stored = await api.readProject(id)
    const kept = await get<Kept>(keyOf(id))
    revision.value = stored.revision
    state.value = 'saved'
    dirty = false
    document.open(id, kept?.revision === stored.revision ? kept.document : stored.document)
    if (kept) {
      if (kept.revision === stored.revision) touch()
      else await del(keyOf(id))
    }
    await readMeshes()
  }

  /** Fetches and reads the files of all parts that are meshes, each file once, and the pictures on parts. */
  async function readMeshes(): Promise<void> {
    const { parts } = document.project
    const missing = parts.flatMap(({ shape }) =>
      shape.kind === 'mesh' && !document.meshes.has(meshKey(shape)) ? [shape] : [],
    )
    for (const shapes of groupedBy(missing, ({ file, unit, mesh }) => `${file} ${unit} ${mesh === undefined}`)) {
      const [{ file, fileName, unit, mesh }] = shapes
      const bytes = await api.readFile(file)
      if (mesh === undefined) {
        const read = await outcomes.readFile(bytes, fileName, unit)
        if (read.ok) await outcomes.addMesh(meshKey({ file, unit }), read.value.mesh)
        continue
      }
      const scene = await outcomes.readScene(bytes, fileName, unit)
      if (!scene.ok) continue
      await outcomes.addMeshes(
        new Map(
          scene.value.meshes.flatMap((m, i) => (m ? [[meshKey({ file, unit, mesh: i }), m.read.mesh] as const] : [])),
        ),
      )
    }
    for (const { look } of parts) {
      if (!look.picture || document.meshes.has(pictureKey(look.picture.file))) continue
      const { file, mime } = look.picture
      await outcomes.addMesh(pictureKey(file), pictureMesh(await api.readFile(file), mime))
    }
    for (const { steps } of document.project.patterns)
      for (const step of steps)
        if (step.kind === 'vary' && step.by?.kind === 'picture' && !document.meshes.has(pictureKey(step.by.file)))
          await outcomes.addMesh(pictureKey(step.by.file), pictureMesh(await api.readFile(step.by.file), PGM))
  }

  function touch(): void {
    dirty = true
    if (state.value !== 'conflict') state.value = state.value === 'away' ? 'away' : 'saving'
    void keep()
    void sendSoon()
  }

  const keep = (): Promise<void> =>
    set(keyOf(document.id), { revision: revision.value, document: document.project } satisfies Kept)
  const sendSoon = useDebounceFn(() => send(), 500)

  async function send(): Promise<void> {
    if (sending || !dirty || state.value === 'conflict') return
    // Half of a gesture, or what is only proposed, is nobody's state to keep.
    if (document.gesture ?? document.proposal) return void sendSoon()
    sending = true
    const { id, project } = document
    dirty = false
    try {
      const saved = await api.saveProject(id, revision.value, project)
      revision.value = saved.revision
      if (dirty) await keep()
      else {
        await del(keyOf(id))
        state.value = 'saved'
      }
    } catch (fault) {
      dirty = true
      if (fault instanceof Away) state.value = 'away'
      else if (fault instanceof Refusal && fault.problem.status === 409) state.value = 'conflict'
      else {
        state.value = 'refused'
        detail.value = fault instanceof Error ? fault.message : String(fault)
      }
    } finally {
      sending = false
    }
    if (dirty && state.value === 'saving') void sendSoon()
    if (state.value === 'away') setTimeout(() => void send(), 3000)
  }

  /** After a conflict: keep what is on this page and write it over the newer revision. */
  async function keepMine(): Promise<void> {
    revision.value = (await api.readProject(document.id)).revision
    state.value = 'saving'
    dirty = true
    await send()
  }

  /** After a conflict: take the newer revision and let go of what is on this page. */
  async function takeTheirs(): Promise<void> {
    await del(keyOf(document.id))
    await open(document.id)
  }

  document.onChange((patches) => patches !== 'all' && touch())
  useEventListener('online', () => void send())
  useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
    if (state.value === 'saving' || state.value === 'conflict') event.preventDefault()
  })

  return { state, revision, detail, open, readMeshes, send, keepMine, takeTheirs }
})
