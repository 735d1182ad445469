import type { VersionCard } from '@hilera/server/api'
import type { Project } from '@hilera/core/model/project'
import { until } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { saidBy } from '../faults'
import { api } from '../api/client'
import { useMeshes } from '../parts/meshes'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSession } from '../stores/session'
import type { ComparedSide } from '../stage/SideBySide.vue'
import type { CompareUpdate } from '../worker/messages'
import { onKeptByItself } from './keepByItself'

/** So long it is waited for the last change to be saved before a state is kept, in milliseconds. */
const SAVING = 10_000

/** A version beside the state as it is now. */
export interface VersionCompared extends CompareUpdate {
  readonly version: VersionCard
  readonly project: Project
  readonly sides: readonly ComparedSide[]
}

/** The states of the project that were kept: they are looked at, compared and brought back. */
export const useVersions = defineStore('versions', () => {
  const document = useDocument()
  const outcomes = useOutcomes()
  const session = useSession()
  const meshes = useMeshes()
  const list = shallowRef<readonly VersionCard[]>([])
  /** The version that is compared with what is there now. */
  const picked = ref<string>()
  const compared = shallowRef<VersionCompared>()
  const problem = ref<string>()
  const busy = ref(false)
  const latest = computed(() => list.value[0])

  /** Does something on the server, and says so where it cannot be done. */
  async function attempt(work: () => Promise<void>): Promise<boolean> {
    problem.value = undefined
    busy.value = true
    try {
      await work()
      return true
    } catch (fault) {
      problem.value = saidBy(fault)
      return false
    } finally {
      busy.value = false
    }
  }
  /** Answers come in any order: an older one does not take the place of a newer one. */
  let [asked, taken] = [0, 0]
  async function load(): Promise<void> {
    const own = ++asked
    const found = await api.listVersions(document.id)
    if (own < taken) return
    taken = own
    list.value = found
  }
  // The server has some only when the list has been read already.
  onKeptByItself((id) => (id === document.id ? load().catch(() => undefined) : undefined))

  const open = (): Promise<boolean> => {
    list.value = []
    picked.value = compared.value = undefined
    return attempt(load)
  }

  /** Keeps the document as it stands. */
  const keep = (note: string, byItself = false): Promise<boolean> =>
    attempt(async () => {
      await until(() => session.state).toBe('saved', { timeout: SAVING, throwOnTimeout: false })
      if (session.state !== 'saved')
        throw new Error('The last changes are not saved yet. Keep a version when the server has taken them.')
      await api.keepVersion(document.id, { note, ...(byItself && { byItself }) })
      await load()
    })

  /** Puts a version beside the state as it is now. */
  async function compare(id: string): Promise<void> {
    picked.value = id
    compared.value = undefined
    await attempt(async () => {
      const { document: project, ...version } = await api.readVersion(document.id, id)
      await meshes.readAll(project)
      const [updates, told] = await Promise.all([outcomes.asIf(project), outcomes.compare(project)])
      if (picked.value !== id) return
      // Where most is to be seen, in both.
      const { moved, sized, turned, swapped, coloured } = told.copies.changed
      const changed = [moved, sized, turned, swapped, coloured].find(({ count }) => count > 0)?.where?.pattern
      const framed = changed === undefined ? {} : { framed: changed }
      compared.value = {
        ...told,
        version,
        project,
        sides: [
          { key: 'then', label: `version ${version.number}`, project, updates, ...framed },
          { key: 'now', label: 'now', project: outcomes.worked, updates: outcomes.patterns, ...framed },
        ],
      }
    })
  }

  /** Makes the document what it was in a version, as one step of undo; what it is now is kept before that. */
  async function bringBack(): Promise<void> {
    const then = compared.value
    if (!then) return
    const kept = await keep(`before bringing back version ${then.version.number}`, true)
    if (!kept) return
    const refused = await document.change(`bring back version ${then.version.number}`, (project) => {
      for (const key of Object.keys(project)) if (!(key in then.project)) delete project[key as keyof Project]
      Object.assign(project, structuredClone(then.project))
    })
    if (refused) return void (problem.value = 'This version cannot be worked out any more.')
    await compare(then.version.id)
  }

  const note = (id: string, words: string): Promise<boolean> =>
    attempt(async () => {
      await api.noteVersion(document.id, id, words)
      await load()
    })
  const remove = (id: string): Promise<boolean> =>
    attempt(async () => {
      await api.removeVersion(document.id, id)
      if (picked.value === id) picked.value = compared.value = undefined
      await load()
    })
  /** Downloads the project as one file, with all that was kept of it. */
  const takeAlong = (): Promise<boolean> =>
    attempt(async () => (await import('../api/projectFile')).saveProjectFile(document.project, document.id))
  /** @returns the id of the project that it became */
  async function duplicate(id: string): Promise<string | undefined> {
    let made: string | undefined
    await attempt(async () => void (made = (await api.duplicateVersion(document.id, id)).id))
    return made
  }

  return {
    list,
    latest,
    picked,
    compared,
    problem,
    busy,
    open,
    keep,
    compare,
    bringBack,
    note,
    remove,
    duplicate,
    takeAlong,
  }
})
