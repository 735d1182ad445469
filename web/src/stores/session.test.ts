import type { Project } from '@hilera/core/model/project'
import { emptyProject } from '@hilera/core/model/project'
import { patched } from '@hilera/core/model/patches'
import type { SaveBody } from '@hilera/server/api'
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
  /** What was done, by the rules of the server. */
  histories: new Map<string, { revision: number; first: number; done: number; steps: unknown[] }>(),
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
      readHistory: async (id: string) =>
        structuredClone(kept.histories.get(id)) ?? {
          revision: kept.projects.get(id)!.revision,
          first: 0,
          done: 0,
          steps: [],
        },
      async saveProject(id: string, revision: number, { patches, history }: SaveBody) {
        const stored = kept.projects.get(id)!
        if (stored.revision !== revision) throw new client.Refusal({ status: 409, detail: 'changed' })
        kept.projects.set(id, { revision: revision + 1, document: patched(stored.document as Project, patches) })
        const before = kept.histories.get(id)
        const keptSteps = history !== undefined && (history.after === undefined || history.after === before?.revision)
        if (keptSteps) {
          const { from, done, steps } = structuredClone(history)
          const older = history.after === undefined ? [] : before!.steps.slice(0, from)
          kept.histories.set(id, {
            revision: revision + 1,
            first: from - older.length,
            done,
            steps: [...older, ...steps],
          })
        }
        return { revision: revision + 1, keptSteps }
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

function newPage(): void {
  setActivePinia(createPinia())
  const document = useDocument()
  document.beJudged()
  // Whatever is asked is taken, as by a worker that has nothing against it.
  document.onChange(() => void Promise.resolve().then(() => document.judge(document.ask(), new Map())))
}

describe('a project brought to the page and back', () => {
  beforeEach(() => {
    enablePatches()
    vi.useFakeTimers()
    kept.projects.clear()
    kept.shelf.clear()
    kept.histories.clear()
    for (const id of ['a', 'b']) kept.projects.set(id, { revision: 1, document: emptyProject(id.toUpperCase()) })
    newPage()
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

  it('is saved also where nobody ever pauses, and the last of it waits in the browser when the page goes', async () => {
    const session = useSession()
    await session.open('a')
    await later()
    for (let n = 0; n < 30; n++) {
      named(`Counter ${n}`)
      await vi.advanceTimersByTimeAsync(100)
      if (n === 0) expect(unsent('a')?.document.name).toBe('Counter 0')
    }
    expect(stored('a').name).toMatch(/Counter 2\d/)
    named('Last')
    await vi.advanceTimersByTimeAsync(1)
    window.dispatchEvent(new Event('pagehide'))
    await vi.advanceTimersByTimeAsync(0)
    expect(unsent('a')?.document.name).toBe('Last')
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

  it('changes that arrived although the page was left before it heard of it are no conflict', async () => {
    kept.projects.set('a', { revision: 4, document: emptyProject('Sent') })
    kept.shelf.set('hilera.unsent.a', { revision: 3, document: structuredClone(emptyProject('Sent')) })
    const session = useSession()
    await session.open('a')
    expect([session.state, useDocument().project.name, unsent('a')]).toEqual(['saved', 'Sent', undefined])
  })

  it('O1: what was done outlasts the page: undone to the start and redone to the end it is the same, and goes on', async () => {
    const session = useSession()
    await session.open('a')
    for (const name of ['One', 'Two', 'Three']) {
      named(name)
      await later()
    }
    useDocument().undo()
    await later()
    newPage()
    const [again, document] = [useSession(), useDocument()]
    await again.open('a')
    expect([document.project.name, document.steps.length, document.stepsDone, document.openedAt]).toEqual([
      'Two',
      3,
      2,
      2,
    ])
    const names: string[] = []
    for (const step of [3, 0, 1, 2, 3]) {
      document.goTo(step)
      names.push(document.project.name)
    }
    expect(names).toEqual(['Three', 'A', 'One', 'Two', 'Three'])
    document.goTo(1)
    named('Otherwise')
    await later()
    expect(kept.histories.get('a')).toMatchObject({ first: 0, done: 2, steps: [{ label: 'name' }, { label: 'name' }] })
  })

  it('the very first step is kept with the first save', async () => {
    const session = useSession()
    await session.open('a')
    named('One')
    await later()
    newPage()
    await useSession().open('a')
    expect(useDocument().steps).toEqual(['name'])
  })

  it('what was done and not sent is one more step; where somebody else has saved nothing is claimed', async () => {
    const session = useSession()
    await session.open('a')
    named('One')
    await later()
    kept.shelf.set('hilera.unsent.a', { revision: 2, document: emptyProject('Unsent') })
    newPage()
    await useSession().open('a')
    const document = useDocument()
    expect([document.project.name, document.steps]).toEqual(['Unsent', ['name', 'What was not saved yet']])
    document.undo()
    expect(document.project.name).toBe('One')
    await later()
    kept.projects.set('a', { revision: 9, document: emptyProject('Theirs') })
    kept.shelf.clear()
    newPage()
    await useSession().open('a')
    expect([useDocument().project.name, useDocument().steps]).toEqual(['Theirs', []])
  })

  it('of what is too much for one save the oldest steps are given up', async () => {
    const session = useSession()
    await session.open('a')
    const views = (letter: string) => [{ id: letter, name: letter.repeat(1_500_000) }]
    for (const letter of ['a', 'b', 'c'])
      void useDocument().change(letter, (p) => void (p.views = views(letter) as never))
    await later()
    expect(session.state).toBe('saved')
    const history = kept.histories.get('a')!
    expect([history.first, history.done, history.steps.length]).toEqual([2, 3, 1])
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
