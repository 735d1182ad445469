import { useDebounceFn, useEventListener } from '@vueuse/core'
import type { Project } from '@hilera/core/model/project'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '../api/client'
import { useMeshes } from '../parts/meshes'
import { browserShelf, unsentOf } from '../saving/browserShelf'
import { SaveQueue, type SaveState } from '../saving/queue'
import { serverTarget } from '../saving/serverTarget'
import { useDocument } from './document'

/** In milliseconds: states of the document that come in this time are one to be saved. */
const TOGETHER = 300

/** Brings a project from the server and back to it, by a queue of its own. */
export const useSession = defineStore('session', () => {
  const document = useDocument()
  const meshes = useMeshes()
  const told = ref<SaveState>('saved')
  /** The state of the document that the queue has last spoken of. */
  const taken = shallowRef<Project>()
  const detail = ref('')
  let queue: SaveQueue | undefined
  /** What has not reached the queue yet is not saved either. */
  const state = computed<SaveState>(() =>
    told.value === 'saved' && taken.value !== document.project ? 'waiting' : told.value,
  )

  async function open(id: string): Promise<void> {
    leave()
    const stored = await api.readProject(id)
    const unsent = await unsentOf(id)
    const own = new SaveQueue(
      id,
      stored.revision,
      stored.document,
      serverTarget,
      browserShelf,
      () => queue === own && show(own),
    )
    queue = own
    document.open(id, unsent?.document ?? stored.document)
    if (unsent) await own.resume(unsent)
    show(own)
    await meshes.readAll()
  }

  /** Whatever of the project that was open is worth keeping goes to it, also while another one opens. */
  function leave(): void {
    if (!queue) return
    // What has been done is worth keeping, also where it has not been worked out yet; what is only tried is not.
    document.gesture?.cancel()
    document.leave()
    void queue.offer(document.project)
    void queue.flush()
    queue = undefined
  }

  function show(own: SaveQueue): void {
    told.value = own.state
    taken.value = own.mine
    detail.value = own.detail
  }

  const offer = useDebounceFn(() => queue && document.id === queue.id && queue.offer(document.whole), TOGETHER)
  watch(
    () => document.whole,
    () => void offer(),
  )
  useEventListener('online', () => void queue?.flush())
  useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
    if (queue && state.value !== 'saved') event.preventDefault()
  })

  /** After a conflict: what is here is written over what was saved there. */
  const keepMine = async (): Promise<void> => queue?.keepMine()

  /** After a conflict: takes what was saved there, and lets go of what is here. */
  async function takeTheirs(): Promise<void> {
    const own = queue
    if (!own) return
    queue = undefined
    await own.drop()
    await open(own.id)
  }

  /** After a conflict: what is here becomes a project of its own, whose id this gives. */
  async function keepBoth(): Promise<string | undefined> {
    const own = queue
    if (!own) return undefined
    const made = await api.createProject({
      from: 'document',
      document: { ...own.mine, name: `${own.mine.name.slice(0, 70)}, kept` },
    })
    queue = undefined
    await own.drop()
    return made.id
  }

  return { state, detail, open, keepMine, takeTheirs, keepBoth }
})
