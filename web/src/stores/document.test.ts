import { casaNispero } from '@hilera/demo/casaNispero'
import type { Line } from '@hilera/core/layouts/line/schema'
import type { Project } from '@hilera/core/model/project'
import { sentenceText } from '@hilera/core/numbers/format'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { applyPatches, enablePatches } from 'immer'
import { useDocument } from './document'

enablePatches()

const line = (project: Project): Line => project.patterns[0].layout as Line

describe('the document', () => {
  beforeEach(() => setActivePinia(createPinia()))
  const opened = () => {
    const store = useDocument()
    store.open('one', casaNispero())
    return store
  }

  it('undoes and redoes exactly, naming what it does', () => {
    const store = opened()
    const start = store.project
    store.change('gap of Shelf tins', (p) => void (line(p).spacing = 0.0127))
    store.change('room of Shelf tins', (p) => void (line(p).room = 2))
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

  it('refuses a change after which its pattern could not be placed, and changes nothing', () => {
    const store = opened()
    const before = store.project
    const problem = store.change('room', (p) => void (line(p).room = 0.1))
    expect(problem && sentenceText(problem.says, 'mm')).toContain('is shorter than one copy')
    expect(store.project).toBe(before)
    expect(store.undoLabel).toBeUndefined()
  })

  it('lets a part grow too wide for a pattern, which then says so itself', () => {
    const store = opened()
    const grow = (p: Project) => void (p.parts[0].shape = { kind: 'box', width: 2, height: 1, depth: 1 })
    expect(store.change('width of Sencha tin', grow)).toBeUndefined()
  })

  it('makes one step of a gesture, leaves nothing of a cancelled one, and tells patches that add up', () => {
    const store = opened()
    let mirror = store.project
    store.onChange((patches) => void (mirror = patches === 'all' ? store.project : applyPatches(mirror, [...patches])))
    const start = store.project
    const drag = store.begin('gap of Shelf tins')
    for (const gap of [0.013, 0.02, 0.05]) drag.update((p) => void (line(p).spacing = gap))
    expect(drag.update((p) => void (line(p).spacing = -1))).toBeDefined()
    expect(line(store.project).spacing).toBe(0.05)
    expect(mirror).toEqual(store.project)
    drag.cancel()
    expect(store.project).toBe(start)
    expect(mirror).toEqual(start)
    expect(store.undoLabel).toBeUndefined()

    const again = store.begin('gap of Shelf tins')
    for (const gap of [0.013, 0.02]) again.update((p) => void (line(p).spacing = gap))
    again.commit()
    store.undo()
    expect(store.project).toEqual(start)
    expect(mirror).toEqual(start)
  })

  it('a proposal is one step of undo when it is accepted, and leaves nothing when it is not', () => {
    const store = opened()
    store.change('gap of Shelf tins', (p) => void (line(p).spacing = 0.02))
    store.undo()
    const start = store.project
    const hide = (hidden: boolean) => (p: Project) => void (p.patterns[0].hidden = hidden)
    expect(store.propose('hide it', 'shelf-tins', hide(true))).toBeUndefined()
    store.change('room of Shelf tins', (p) => void (line(p).room = 2))
    store.leave()
    expect(store.project).toEqual(start)
    expect([store.undoLabel, store.redoLabel]).toEqual([undefined, 'gap of Shelf tins'])

    store.propose('hide it', 'shelf-tins', hide(true))
    store.change('room of Shelf tins', (p) => void (line(p).room = 2))
    store.accept()
    expect([store.undoLabel, store.proposal]).toEqual(['hide it', undefined])
    const end = store.project
    store.undo()
    expect(store.project).toEqual(start)
    store.redo()
    expect(store.project).toEqual(end)

    store.propose('show it', 'shelf-tins', hide(false))
    store.undo()
    expect(store.project).toEqual(end)
    expect([store.proposal, store.undoLabel, store.redoLabel]).toEqual([undefined, 'hide it', undefined])
    // A refused proposal is none.
    expect(store.propose('room', 'shelf-tins', (p) => void (line(p).room = 0.1))).toBeDefined()
    expect(store.proposal).toBeUndefined()
  })
})
