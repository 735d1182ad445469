import type { Clear } from '@hilera/core/steps/clear/schema'
import { makeGroup } from '@hilera/core/model/grouping'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../test/opened'
import { useStepEdits } from './stepEdits'

vi.mock('comlink', () => import('../../test/comlink'))

let page: Awaited<ReturnType<typeof opened>>

describe('a step for all of a group', () => {
  beforeEach(async () => {
    page = await opened()
    await page.document.change('group', (project) => makeGroup(project, ['shelf-tins', 'turntable-cups'], 'two', 'Two'))
  })
  const patternOf = (id: string) => page.document.project.patterns.find((p) => p.id === id)!
  const clears = () => ['shelf-tins', 'turntable-cups'].map((id) => patternOf(id).steps.at(-1) as Clear)

  it('N11: is one in all of its patterns, keeps them clear of each other, and undoes exactly', async () => {
    const { document, settled } = page
    const start = document.project
    const edits = useStepEdits()
    edits.addToAll(document.project.groups[0], 'clear')
    await settled()
    const [tins, cups] = clears()
    expect([tins.id, tins.from, cups.from]).toEqual([cups.id, [], ['shelf-tins']])
    expect(edits.sharedBy(patternOf('shelf-tins'), tins)).toMatchObject({ group: { name: 'Two' }, count: 2 })
    void document.change(
      'clearance',
      edits.recipe(patternOf('turntable-cups'), 'clear', cups.id, (step) => void (step.clearance = 0.02)),
    )
    await settled()
    expect(clears().map(({ clearance, from }) => [clearance, from])).toEqual([
      [0.02, []],
      [0.02, ['shelf-tins']],
    ])
    document.undo()
    document.undo()
    expect(document.project).toEqual(start)
  })

  it('is taken away from all, or each gets its own and nothing else changes', async () => {
    const { document, settled } = page
    const start = document.project
    const edits = useStepEdits()
    edits.addToAll(document.project.groups[0], 'clear')
    await settled()
    const [tins] = clears()
    edits.remove(patternOf('shelf-tins'), tins)
    await settled()
    expect(document.project).toEqual(start)
    document.undo()
    edits.part(patternOf('shelf-tins'), tins)
    void document.change(
      'clearance',
      edits.recipe(patternOf('shelf-tins'), 'clear', tins.id, (step) => void (step.clearance = 0.03)),
    )
    await settled()
    expect(clears().map(({ clearance }) => clearance)).toEqual([0.03, 0])
    expect(edits.sharedBy(patternOf('shelf-tins'), tins)).toBeUndefined()
  })
})
