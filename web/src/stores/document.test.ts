import { casaNispero } from '@hilera/demo/casaNispero'
import { edgeCurve } from '@hilera/core/curves/edges'
import { Evaluator } from '@hilera/core/evaluate'
import type { Line } from '@hilera/core/layouts/line/schema'
import type { Path } from '@hilera/core/layouts/path/schema'
import { layouts } from '@hilera/core/layouts/registry'
import type { Project } from '@hilera/core/model/project'
import { sentenceText } from '@hilera/core/numbers/format'
import { partMesh } from '@hilera/core/parts/partMesh'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { applyPatches, enablePatches } from 'immer'
import { useDocument } from './document'

enablePatches()

const line = (project: Project): Line => project.patterns[0].layout as Line

describe('the document', () => {
  beforeEach(() => setActivePinia(createPinia()))
  const opened = () => {
    const store = useDocument()
    store.beJudged()
    const evaluator = new Evaluator()
    // Judges like the worker: later, and once for all that came meanwhile.
    let asked = false
    store.onChange(() => {
      if (asked) return
      asked = true
      setTimeout(() => {
        asked = false
        const state = store.ask()
        const outcomes = evaluator.evaluate(state.project, store.meshes)
        store.judge(state, new Map(outcomes.flatMap((o) => (o.problem ? [[o.id, o.problem] as const] : []))))
      })
    })
    store.open('one', casaNispero())
    return store
  }
  const settled = (store: ReturnType<typeof opened>) => vi.waitUntil(() => store.isAccepted())

  it('undoes and redoes exactly, naming what it does', () => {
    const store = opened()
    const start = store.project
    void store.change('gap of Shelf tins', (p) => void (line(p).spacing = 0.0127))
    void store.change('room of Shelf tins', (p) => void (line(p).room = 2))
    expect([store.undoLabel, store.redoLabel]).toEqual(['room of Shelf tins', undefined])
    const end = store.project
    store.undo()
    store.undo()
    expect(store.project).toEqual(start)
    expect([store.undoLabel, store.redoLabel]).toEqual([undefined, 'gap of Shelf tins'])
    store.redo()
    store.redo()
    expect(store.project).toEqual(end)
  })

  it('O1: goes to any step and back, to the bit, telling it as one change', () => {
    const store = opened()
    const states = [store.project]
    for (const [i, gap] of [0.013, 0.014, 0.015].entries()) {
      void store.change(`gap ${i}`, (p) => void (line(p).spacing = gap))
      states.push(store.project)
    }
    expect([store.steps, store.stepsDone]).toEqual([['gap 0', 'gap 1', 'gap 2'], 3])
    const told = vi.fn()
    store.onChange(told)
    for (const count of [1, 3, 0, 2, 2, 3]) {
      const before = store.project
      store.goTo(count)
      expect(store.project).toEqual(states[count])
      expect([store.steps.length, store.stepsDone]).toEqual([3, count])
      if (before === store.project) continue
      expect(applyPatches(before, told.mock.lastCall![0])).toEqual(states[count])
    }
    expect(told).toHaveBeenCalledTimes(5)
  })

  it('steps of more patches than a call takes arguments are undone and done again', async () => {
    const store = opened()
    const before = store.project
    const own = Object.fromEntries(Array.from({ length: 150_000 }, (_, k) => [k.toString(16), { held: true as const }]))
    void store.change('hold all', (p) => {
      for (const slot of Object.keys(own)) p.patterns[0].touchUps[slot] = own[slot]
    })
    const after = store.project
    store.goTo(0)
    expect(store.project).toEqual(before)
    store.goTo(1)
    expect(store.project.patterns[0].touchUps).toEqual(after.patterns[0].touchUps)
  })

  it('O6: going on from an earlier step tells of the state that is left behind', () => {
    const store = opened()
    void store.change('gap', (p) => void (line(p).spacing = 0.013))
    void store.change('room', (p) => void (line(p).room = 2))
    const left = store.project
    const heard = vi.fn()
    store.onLeft(heard)
    store.goTo(0)
    void store.change('gap', (p) => void (line(p).spacing = 0.03))
    expect(heard).toHaveBeenCalledTimes(1)
    expect(heard.mock.lastCall).toEqual([left, 2])
    void store.change('gap', (p) => void (line(p).spacing = 0.04))
    expect(heard).toHaveBeenCalledTimes(1)
  })

  it('refuses a change after which its pattern could not be placed, and changes nothing', async () => {
    const store = opened()
    await settled(store)
    const before = store.project
    const problem = await store.change('room', (p) => void (line(p).room = 0.1))
    expect(problem && sentenceText(problem.says, 'mm')).toContain('is shorter than one copy')
    expect(store.project).toEqual(before)
    expect(store.undoLabel).toBeUndefined()
  })

  it('takes back what is refused with what was built on it, and lets it be done again', async () => {
    const store = opened()
    await settled(store)
    const before = store.project
    const bad = store.change('room', (p) => void (line(p).room = 0.1))
    const after = store.change('name', (p) => void (p.patterns[0].name = 'Tins'))
    expect(await bad).toBeDefined()
    expect(await after).toBeDefined()
    expect(store.project).toEqual(before)
    expect([store.undoLabel, store.redoLabel]).toEqual([undefined, 'name'])
    store.redo()
    expect(store.project.patterns[0].name).toBe('Tins')
  })

  it('lets a part grow too wide for a pattern, which then says so itself', async () => {
    const store = opened()
    await settled(store)
    const grow = (p: Project) => void (p.parts[0].shape = { kind: 'box', width: 2, height: 1, depth: 1 })
    expect(await store.change('width of Sencha tin', grow)).toBeUndefined()
    expect(store.project.parts[0].shape).toMatchObject({ width: 2 })
  })

  it('makes one step of a gesture, leaves nothing of a cancelled one, and tells patches that add up', async () => {
    const store = opened()
    await settled(store)
    let mirror = store.project
    store.onChange((patches) => void (mirror = patches === 'all' ? store.project : applyPatches(mirror, [...patches])))
    const start = store.project
    const drag = store.begin('gap of Shelf tins')
    for (const gap of [0.013, 0.02, 0.05]) void drag.update((p) => void (line(p).spacing = gap))
    await settled(store)
    expect(await drag.update((p) => void (line(p).room = 0.01))).toBeDefined()
    await settled(store)
    expect(line(store.project).spacing).toBe(0.05)
    expect(mirror).toEqual(store.project)
    drag.cancel()
    expect(store.project).toBe(start)
    expect(mirror).toEqual(start)
    expect(store.undoLabel).toBeUndefined()

    const again = store.begin('gap of Shelf tins')
    for (const gap of [0.013, 0.02]) void again.update((p) => void (line(p).spacing = gap))
    again.commit()
    store.undo()
    expect(store.project).toEqual(start)
    expect(mirror).toEqual(start)
  })

  it('a proposal is one step of undo when it is accepted, and leaves nothing when it is not', async () => {
    const store = opened()
    await settled(store)
    void store.change('gap of Shelf tins', (p) => void (line(p).spacing = 0.02))
    store.undo()
    const start = store.project
    const hide = (hidden: boolean) => (p: Project) => void (p.patterns[0].hidden = hidden)
    expect(await store.propose('hide it', 'shelf-tins', hide(true))).toBeUndefined()
    void store.change('room of Shelf tins', (p) => void (line(p).room = 2))
    store.leave()
    expect(store.project).toEqual(start)
    expect([store.undoLabel, store.redoLabel]).toEqual([undefined, 'gap of Shelf tins'])

    void store.propose('hide it', 'shelf-tins', hide(true))
    void store.change('room of Shelf tins', (p) => void (line(p).room = 2))
    store.accept()
    expect([store.undoLabel, store.proposal]).toEqual(['hide it', undefined])
    const end = store.project
    store.undo()
    expect(store.project).toEqual(start)
    store.redo()
    expect(store.project).toEqual(end)

    void store.propose('show it', 'shelf-tins', hide(false))
    store.undo()
    expect(store.project).toEqual(end)
    expect([store.proposal, store.undoLabel, store.redoLabel]).toEqual([undefined, 'hide it', undefined])
    // A refused proposal is none.
    await settled(store)
    expect(await store.propose('room', 'shelf-tins', (p) => void (line(p).room = 0.1))).toBeDefined()
    expect(store.proposal).toBeUndefined()
  })

  it('a curve along the edges of a part goes along with it in the same step, however it is changed', () => {
    const store = opened()
    const host = store.project.parts.find((p) => p.id === 'front-panel')!
    const which = { as: 'loop', at: [0.5, 1, 1], toward: [0, 1, 0], size: [1, 1, 1] } as const
    const mesh = partMesh(host, store.source)!
    const curve = edgeCurve(mesh, host, { ...which, at: [...which.at], toward: [...which.toward], size: [1, 1, 1] })
    if (!curve.ok) throw new Error(curve.problem.says.join(''))
    const along = () => store.project.patterns.at(-1)!.layout as Path & { curve: { kind: 'bezier' } }
    const reach = () => Math.max(...along().curve.runs.flatMap((r) => r.pieces.map((p) => p[2][0])))
    store.change('follow', (project) => {
      const begun = layouts.path.begin({ width: 0.02, height: 0.02, depth: 0.02, unit: 'mm' })
      project.patterns.push({
        ...project.patterns[0],
        id: 'rim',
        name: 'Rim',
        layout: { ...begun, curve: curve.value },
      })
    })
    const start = store.project
    const before = reach()
    const wider = (by: number) => (project: Project) => {
      const { shape } = project.parts.find((p) => p.id === 'front-panel')! as { shape: { width: number } }
      shape.width += by
    }
    store.change('width', wider(0.2))
    expect(reach() - before).toBeCloseTo(0.1, 6)
    store.undo()
    expect(store.project).toEqual(start)
    store.redo()
    expect(reach() - before).toBeCloseTo(0.1, 6)
    store.undo()
    const dragging = store.begin('width')
    void dragging.update(wider(0.1))
    void dragging.update(wider(0.4))
    expect(reach() - before).toBeCloseTo(0.2, 6)
    dragging.cancel()
    expect(store.project).toEqual(start)
  })
})
