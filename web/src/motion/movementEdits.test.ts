import { makeGroup } from '@hilera/core/model/grouping'
import type { Arrive } from '@hilera/core/motion/arrive/schema'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { useShared } from '../groups/shared'
import { usePlayback } from '../stores/playback'
import { useMovementEdits } from './movementEdits'

vi.mock('comlink', () => import('../../test/comlink'))

const IDS = ['shelf-tins', 'turntable-cups']
let page: Awaited<ReturnType<typeof opened>>

describe('a movement for all of a group', () => {
  beforeEach(async () => {
    const demo = quickDemo()
    const project = { ...demo, patterns: demo.patterns.map((p) => ({ ...p, motion: [] })) }
    makeGroup(project, IDS, 'two', 'Two')
    page = await opened(project)
  })
  const patternOf = (id: string) => page.document.project.patterns.find((p) => p.id === id)!
  const arrivals = () => IDS.map((id) => patternOf(id).motion?.at(-1) as Arrive | undefined)

  it('its copies come in one row; what is changed of it in one is changed in all; it undoes exactly', async () => {
    const { document, settled } = page
    const start = document.project
    const edits = useMovementEdits()
    edits.addToAll(document.project.groups[0], 'arrive')
    await settled()
    const [tins] = arrivals()
    const shown = IDS.map((id) => page.outcomes.byId.get(id)!.table.presentCount())
    const bars = IDS.map((id) => usePlayback().playing.of(id)!.bars)
    expect(bars.map((own) => own.length)).toEqual(shown)
    expect(bars[1][0].from).toBeCloseTo(tins!.begin + shown[0] * tins!.apart, 9)
    expect(useShared().sharedBy(patternOf(IDS[0]), tins!.id, 'motion')).toMatchObject({ count: 2, without: 0 })

    void document.change(
      'each',
      edits.recipe(patternOf(IDS[1]), tins!.id, (m) => void ((m as Arrive).each = 0.4)),
    )
    await settled()
    expect(arrivals().map((m) => m?.each)).toEqual([0.4, 0.4])
    document.undo()
    document.undo()
    expect(document.project).toEqual(start)
  })

  it('let each have its own, both begin at the beginning; taken away, it is gone from all', async () => {
    const { document, settled } = page
    const start = document.project
    const edits = useMovementEdits()
    edits.addToAll(document.project.groups[0], 'arrive')
    await settled()
    const [tins] = arrivals()
    useShared().part(patternOf(IDS[0]), tins!.id, 'motion', 'arrive')
    await settled()
    const begins = IDS.map((id) => usePlayback().playing.of(id)!.bars[0].from)
    expect(begins).toEqual([tins!.begin, tins!.begin])
    document.undo()
    edits.remove(patternOf(IDS[1]), tins!)
    await settled()
    expect(arrivals()).toEqual([undefined, undefined])
    expect(document.project.groups).toEqual(start.groups)
  })
})
