import type { Clear } from '@hilera/core/steps/clear/schema'
import { makeGroup } from '@hilera/core/model/grouping'
import { placeInList } from '@hilera/core/model/listing'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../test/opened'
import { useShared } from '../groups/shared'
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
    expect(useShared().sharedBy(patternOf('shelf-tins'), tins.id, 'steps')).toMatchObject({
      group: { name: 'Two' },
      count: 2,
    })
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

  it('a pattern that comes into the group later has none, until it is given to it too', async () => {
    const { document, settled } = page
    useStepEdits().addToAll(document.project.groups[0], 'clear')
    await document.change('into the group', (project) => placeInList(project, 'lanterns', { parent: 'two' }))
    const [tins] = clears()
    const shared = useShared()
    expect(shared.sharedBy(patternOf('shelf-tins'), tins.id, 'steps')).toMatchObject({ count: 2, without: 1 })
    shared.giveToRest(patternOf('shelf-tins'), tins.id, 'steps', 'clear')
    await settled()
    expect(shared.sharedBy(patternOf('lanterns'), tins.id, 'steps')).toMatchObject({ count: 3, without: 0 })
    const own = patternOf('lanterns').steps.find((s) => s.id === tins.id) as Clear
    expect([...own.from].sort()).toEqual(['shelf-tins', 'turntable-cups'])
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
    useShared().part(patternOf('shelf-tins'), tins.id, 'steps', 'clear')
    void document.change(
      'clearance',
      edits.recipe(patternOf('shelf-tins'), 'clear', tins.id, (step) => void (step.clearance = 0.03)),
    )
    await settled()
    expect(clears().map(({ clearance }) => clearance)).toEqual([0.03, 0])
    expect(useShared().sharedBy(patternOf('shelf-tins'), tins.id, 'steps')).toBeUndefined()
  })
})
