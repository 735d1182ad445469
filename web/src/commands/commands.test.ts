import { createRouter, createMemoryHistory } from 'vue-router'
import { createApp } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../test/opened'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import { useCommands } from './commands'

vi.mock('comlink', () => import('../../test/comlink'))

/** Stores that ask for the router are made inside an application. */
function commandsIn(): ReturnType<typeof useCommands> {
  const app = createApp({})
  const page = { template: '<i />' }
  app.use(createRouter({ history: createMemoryHistory(), routes: [{ path: '/:id', name: 'export', component: page }] }))
  return app.runWithContext(() => useCommands())
}

describe('commands', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let commands: ReturnType<typeof useCommands>
  beforeEach(async () => {
    page = await opened()
    commands = commandsIn()
  })

  it('have ids and keys of their own, and say in a sentence why they cannot act', () => {
    const ids = commands.all.map((c) => c.id)
    expect(new Set(ids).size).toBe(ids.length)
    const keys = commands.all.flatMap((c) => (c.keys ? [c.keys] : []))
    expect(new Set(keys).size).toBe(keys.length)
    const reasons = commands.all.flatMap((c) => (c.unavailable ? [c.unavailable] : []))
    expect(reasons.length).toBeGreaterThan(10)
    for (const reason of reasons) expect(reason).toMatch(/^[A-Z].*\.$/)
  })

  it('that cannot act change nothing and tell why, each time anew', () => {
    const before = page.document.project
    commands.run('more')
    expect(commands.told).toEqual({ words: 'Pick a pattern first.', times: 1 })
    commands.run('more')
    expect(commands.told?.times).toBe(2)
    expect(page.document.project).toBe(before)
  })

  it('A26: what is done with a part says why where none is picked, or where it cannot be done with it', () => {
    const { document } = page
    const lack = (id: string): string | undefined => commands.byId(id)!.unavailable
    expect(lack('split-part')).toBe('Pick a part first.')
    useSelection().pickPart('cup')
    expect(commands.byId('twin-part')!.words).toBe('Make the twin of Cup')
    expect(lack('split-part')).toMatch(/^Only a part that came from a file/)
    const parts = document.project.parts.length
    commands.run('twin-part')
    expect(document.project.parts.slice(parts).map(({ shape }) => shape)).toEqual([{ kind: 'twin', of: 'cup' }])
    expect(lack('twin-part')).toMatch(/has no twin/)
    commands.run('undo')
    expect(document.project.parts).toHaveLength(parts)
  })

  it('one copy more and wider spacing are one step of undo each, and undo exactly', async () => {
    const { document, outcomes, settled } = page
    const start = document.project
    useSelection().pickPattern('turntable-cups')
    const count = (): number => outcomes.byId.get('turntable-cups')!.present
    expect(count()).toBe(18)
    commands.run('more')
    await settled()
    expect(count()).toBe(19)
    commands.run('fewer')
    await settled()
    expect(count()).toBe(18)
    commands.run('undo')
    commands.run('undo')
    await settled()
    expect(document.project).toEqual(start)
    expect(document.undoLabel).toBeUndefined()
  })

  it('ten steps at once nudge ten times as far', () => {
    const { document } = page
    useSelection().pickPattern('shelf-tins')
    const at = (): number => document.project.patterns.find((p) => p.id === 'shelf-tins')!.place.move[0]
    const before = at()
    commands.run('nudge-right')
    expect(at() - before).toBeCloseTo(0.01, 12)
    commands.run('nudge-left', 10)
    expect(at() - before).toBeCloseTo(-0.09, 12)
  })

  it('picking all, inverting, leaving empty: each acts on what is picked', async () => {
    const { outcomes, settled } = page
    const selection = useSelection()
    selection.pickPattern('shelf-tins')
    commands.run('pick-all')
    expect(selection.count).toBe(outcomes.byId.get('shelf-tins')!.present)
    commands.run('pick-none')
    selection.pickCopies(new Map([['shelf-tins', new Set(['0', '1'])]]))
    commands.run('invert')
    expect(selection.count).toBe(outcomes.byId.get('shelf-tins')!.present - 2)
    commands.run('remove')
    await settled()
    expect(outcomes.byId.get('shelf-tins')!.present).toBe(2)
    commands.run('undo')
    await settled()
    expect(outcomes.byId.get('shelf-tins')!.present).toBe(9)
  })

  it('who is used by another is not removed, and is told by whom', () => {
    useSelection().pickPattern('lanterns')
    const before = page.document.project
    commands.run('remove')
    expect(commands.told?.words).toMatch(/uses it\. Change or remove that one first\.$/)
    expect(page.document.project).toBe(before)
  })

  it('views and framing are asked of the stage', () => {
    const view = useView()
    commands.run('view-top')
    expect(view.view).toBe('top')
    commands.run('frame-all')
    expect(view.framing.what).toBe('everything')
  })
})
