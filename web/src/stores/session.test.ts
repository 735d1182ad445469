import type { Project } from '@hilera/core/model/project'
import { emptyProject } from '@hilera/core/model/project'
import { type Patch, patched } from '@hilera/core/model/patches'
import { createPinia, setActivePinia } from 'pinia'
import { enablePatches } from 'immer'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { useDocument } from './document'
import { useSession } from './session'

/** What the server holds, and what waits in the browser. */
const kept = vi.hoisted(() => ({
  projects: new Map<string, { revision: number; document: unknown }>(),
  shelf: new Map<string, unknown>(),
}))
vi.mock('idb-keyval', () => ({
  get: async (key: string) => kept.shelf.get(key),
  set: async (key: string, value: unknown) => void kept.shelf.set(key, structuredClone(value)),
  del: async (key: string) => void kept.shelf.delete(key),
}))
vi.mock('../api/client', async (original) => {
  const client = await original<{ Refusal: new (problem: object) => Error }>()
  return {
    ...client,
    api: {
      readProject: async (id: string) => ({ id, changedAt: '', ...kept.projects.get(id)! }),
      async saveProject(id: string, revision: number, patches: readonly Patch[]) {
        const stored = kept.projects.get(id)!
        if (stored.revision !== revision) throw new client.Refusal({ status: 409, detail: 'changed' })
        kept.projects.set(id, { revision: revision + 1, document: patched(stored.document as Project, patches) })
        return { revision: revision + 1 }
      },
      async createProject({ document }: { document: Project }) {
        kept.projects.set('made', { revision: 1, document })
        return { id: 'made' }
      },
    },
  }
})
vi.mock('../parts/meshes', () => ({ useMeshes: () => ({ readAll: async () => {} }) }))

const stored = (id: string) => kept.projects.get(id)!.document as Project
const unsent = (id: string) => kept.shelf.get(`hilera.unsent.${id}`) as { document: Project } | undefined

describe('a project brought to the page and back', () => {
  beforeEach(() => {
    enablePatches()
    vi.useFakeTimers()
    kept.projects.clear()
    kept.shelf.clear()
    for (const id of ['a', 'b']) kept.projects.set(id, { revision: 1, document: emptyProject(id.toUpperCase()) })
    setActivePinia(createPinia())
    const document = useDocument()
    document.beJudged()
    // Whatever is asked is taken, as by a worker that has nothing against it.
    document.onChange(() => void Promise.resolve().then(() => document.judge(document.ask(), new Map())))
  })
  afterEach(() => void vi.useRealTimers())
  const later = async (): Promise<void> => {
    await nextTick()
    await vi.advanceTimersByTimeAsync(2000)
  }
  const named = (name: string): void => void useDocument().change('name', (p) => void (p.name = name))

  it('is saved a moment after it changed; until then it says so', async () => {
    const session = useSession()
    await session.open('a')
    expect(session.state).toBe('saved')
    named('Counter')
    expect(session.state).toBe('waiting')
    await later()
    expect([session.state, stored('a').name, unsent('a')]).toEqual(['saved', 'Counter', undefined])
  })

  it('what was not sent when another one is opened goes to its own project', async () => {
    const session = useSession()
    await session.open('a')
    named('Counter')
    await session.open('b')
    await later()
    expect([stored('a').name, stored('b').name, useDocument().project.name]).toEqual(['Counter', 'B', 'B'])
  })

  it('unsent changes on the stored revision are taken up again', async () => {
    kept.shelf.set('hilera.unsent.a', { revision: 1, document: emptyProject('Unsent') })
    const session = useSession()
    await session.open('a')
    expect(useDocument().project.name).toBe('Unsent')
    await later()
    expect([session.state, stored('a').name]).toEqual(['saved', 'Unsent'])
  })

  describe('where somebody else has changed it', () => {
    async function inConflict() {
      const session = useSession()
      await session.open('a')
      kept.projects.set('a', { revision: 2, document: emptyProject('Theirs') })
      named('Mine')
      await later()
      expect([session.state, stored('a').name, unsent('a')?.document.name]).toEqual(['conflict', 'Theirs', 'Mine'])
      return session
    }

    it('mine is written over it', async () => {
      const session = await inConflict()
      await session.keepMine()
      await later()
      expect([session.state, stored('a').name]).toEqual(['saved', 'Mine'])
    })

    it('theirs is taken, and nothing of mine is sent', async () => {
      const session = await inConflict()
      await session.takeTheirs()
      await later()
      expect([session.state, useDocument().project.name, stored('a').name]).toEqual(['saved', 'Theirs', 'Theirs'])
      expect(unsent('a')).toBeUndefined()
    })

    it('both are kept, as two projects', async () => {
      const session = await inConflict()
      expect(await session.keepBoth()).toBe('made')
      expect([stored('made').name, stored('a').name]).toEqual(['Mine, kept', 'Theirs'])
    })
  })
})
