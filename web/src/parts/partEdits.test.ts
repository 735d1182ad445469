import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { usePartEdits } from './partEdits'

vi.mock('comlink', () => import('../../test/comlink'))

describe('using a part in a pattern', () => {
  let page: Awaited<ReturnType<typeof opened>>
  beforeEach(async () => {
    const demo = quickDemo()
    const [tins] = demo.patterns
    const spots = [0, 1, 2].map((slot) => ({
      slot,
      move: [0.2 * slot, 0, 0] as [number, number, number],
      ...(slot > 0 && { part: 'cup', name: `Place ${slot}` }),
    }))
    const own = { ...tins, id: 'own', name: 'Own', steps: [], touchUps: {}, layout: { kind: 'spots' as const, spots } }
    page = await opened({ ...demo, patterns: [...demo.patterns, own] })
  })
  const parts = (id: string): string[] => {
    const { table } = page.outcomes.byId.get(id)!
    return Array.from({ length: table.count }, (_, k) => page.outcomes.things[table.thing[k]].id)
  }

  it('puts it in the place of what is dealt, and of what places have of their own; undo brings both back', async () => {
    const before = parts('own')
    expect(before.slice(1)).toEqual(['cup', 'cup'])
    const bead = page.document.project.parts.find((p) => p.id === 'bead')!
    usePartEdits().useIn('own', bead)
    await page.settled()
    expect(parts('own')).toEqual(['bead', 'bead', 'bead'])
    const { layout } = page.document.project.patterns.find((p) => p.id === 'own')!
    expect(layout.kind === 'spots' && layout.spots.map((s) => s.name)).toEqual([undefined, 'Place 1', 'Place 2'])
    page.document.undo()
    await page.settled()
    expect(parts('own')).toEqual(before)
  })
})
