import { useEventListener, useThrottleFn } from '@vueuse/core'
import type { Project } from '@hilera/core/model/project'
import type { StoredHistory } from '@hilera/server/api'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { api } from '../api/client'
import { useMeshes } from '../parts/meshes'
import { browserShelf, unsentOf } from '../saving/browserShelf'
import { SaveQueue, type SaveState, type Unsent, isSame } from '../saving/queue'
import { serverTarget } from '../saving/serverTarget'
import { StepBook } from '../saving/stepBook'
import { type Trail, useDocument } from './document'
import { type Change, change } from './history'

/** In milliseconds: states of the document that come in this time are one to be saved. */
const TOGETHER = 300

/** Without the steps of before a project is worked on all the same. */
const keptHistory = (id: string): Promise<StoredHistory | undefined> => api.readHistory(id).catch(() => undefined)

const trailFrom = ({ first, done, steps }: StoredHistory): Trail => ({
  first,
  past: steps.slice(0, done - first) as Change[],
  future: steps.slice(done - first).toReversed() as Change[],
})

/** What was done before the page closed and had not been sent is one more step. */
function onTo(trail: Trail, stored: Project, unsent: Unsent): Trail {
  const made = change(stored, 'What was not saved yet', (p) => void Object.assign(p, unsent.document))
  return made ? { ...trail, past: [...trail.past, made.change], future: [] } : trail
}

/** Brings a project from the server and back to it, by a queue of its own. */
export const useSession = defineStore('session', () => {
  const document = useDocument()
  const meshes = useMeshes()
  const told = ref<SaveState>('saved')
  /** The state of the document that the queue has last spoken of. */
  const taken = shallowRef<Project>()
  const detail = ref('')
  let queue: SaveQueue | undefined
  let book: StepBook | undefined
  /** What has not reached the queue yet is not saved either. */
  const state = computed<SaveState>(() =>
    told.value === 'saved' && taken.value !== document.project ? 'waiting' : told.value,
  )

  async function open(id: string): Promise<void> {
    leave()
    const [stored, history, left] = await Promise.all([api.readProject(id), keptHistory(id), unsentOf(id)])
    // What was under way when the page was left may have arrived.
    const unsent = left && isSame(left.document, stored.document) ? undefined : left
    if (left && !unsent) await browserShelf.clear(id)
    // What was read after somebody else saved does not lead to what was read before; where nothing is kept nothing is gone on from.
    const kept = history?.revision === stored.revision && history.steps.length > 0 ? history : undefined
    const trail = kept && trailFrom(kept)
    const own = new SaveQueue(
      id,
      stored.revision,
      stored.document,
      serverTarget((book = new StepBook(trail && { revision: stored.revision, steps: kept.steps }))),
      browserShelf,
      () => queue === own && show(own),
    )
    queue = own
    document.open(
      id,
      unsent?.document ?? stored.document,
      unsent && trail ? onTo(trail, stored.document, unsent) : trail,
    )
    if (unsent) book.note(unsent.document, document.trailTo(unsent.document))
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
    book?.note(document.project, document.trailTo(document.project))
    void queue.offer(document.project)
    void queue.flush()
    queue = undefined
  }

  function show(own: SaveQueue): void {
    told.value = own.state
    taken.value = own.mine
    detail.value = own.detail
  }

  function offer(): void {
    if (!queue || document.id !== queue.id) return
    book?.note(document.whole, document.trailTo(document.whole))
    void queue.offer(document.whole)
  }
  // The first at once, then the latest every so often: to wait for a pause would lose all that is done without one.
  const offerInTime = useThrottleFn(offer, TOGETHER, true)
  watch(
    () => document.whole,
    () => void offerInTime(),
  )
  useEventListener('pagehide', offer)
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
