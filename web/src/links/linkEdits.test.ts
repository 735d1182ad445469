import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened } from '../../test/opened'
import { useSelection } from '../stores/selection'
import { useLinkEdits } from './linkEdits'

vi.mock('comlink', () => import('../../test/comlink'))

type Page = Awaited<ReturnType<typeof opened>>
let page: Page
const rows = (id: string) => {
  const { table } = page.outcomes.byId.get(id)!
  return Array.from({ length: table.count }, (_, k) => ({
    part: page.outcomes.things[table.thing[k]].name,
    at: [...table.moveOf(k), ...table.turnOf(k), ...table.sizeOf(k)],
  }))
}

describe('what copies are linked to', () => {
  beforeEach(async () => {
    page = await opened()
  })

  it('unlinked copies get a part of their own, nothing moves, and undo brings the same back', async () => {
    const { document, settled } = page
    const selection = useSelection()
    const before = rows('shelf-tins')
    const start = document.project
    selection.pickCopies(new Map([['shelf-tins', new Set(['1', '4'])]]))
    useLinkEdits().unlinkPicks()
    await settled()
    const after = rows('shelf-tins')
    expect(after.map((r) => r.at)).toEqual(before.map((r) => r.at))
    expect(after.flatMap((r, k) => (r.part === before[k].part ? [] : [k]))).toEqual([1, 4])
    expect(selection.partId).toBe(document.project.parts.at(-1)!.id)
    document.undo()
    await settled()
    expect(document.project).toEqual(start)
    expect(rows('shelf-tins')).toEqual(before)
  })

  it('copies are linked to a part of the same shape so that nothing moves, and to another shape not at all', async () => {
    const { document, settled } = page
    const selection = useSelection()
    const links = useLinkEdits()
    selection.pickCopies(new Map([['shelf-tins', new Set(['2'])]]))
    const [from] = links.partsOfPicks()
    links.unlinkPicks()
    await settled()
    const before = rows('shelf-tins')
    expect(links.relinkPicks(from)).toBeUndefined()
    await settled()
    const after = rows('shelf-tins')
    for (const [k, { at }] of after.entries())
      for (const [i, n] of at.entries()) expect(n).toBeCloseTo(before[k].at[i], 6)
    expect(links.partsOfPicks()).toEqual([from])
    const now = document.project
    const cup = document.project.patterns.find((p) => p.id === 'turntable-cups')!.deal.parts[0]
    expect(links.relinkPicks(cup)).toEqual({})
    expect(document.project).toBe(now)
  })

  it('a swap of picked copies changes those alone', async () => {
    const { document, settled } = page
    const selection = useSelection()
    const links = useLinkEdits()
    selection.pickCopies(new Map([['shelf-tins', new Set(['0', '3'])]]))
    const cup = document.project.patterns.find((p) => p.id === 'turntable-cups')!.deal.parts[0]
    const wish = {
      keep: 'pivot',
      size: 'part',
      reach: 'copies',
      from: '',
      to: cup,
      carry: 'nothing',
      keepNames: false,
    } as const
    const before = rows('shelf-tins')
    await document.change('swap', links.swapRecipe(wish, 'new', links.ground()))
    await settled()
    const name = document.project.parts.find((p) => p.id === cup)!.name
    expect(rows('shelf-tins').map((r) => r.part)).toEqual(before.map((r, k) => (k === 0 || k === 3 ? name : r.part)))
  })

  it('a duplicate stands beside it and is picked; with parts of its own it shares none', async () => {
    const { document, settled } = page
    const pattern = document.project.patterns[0]
    useLinkEdits().duplicate(pattern, true)
    await settled()
    const made = document.project.patterns.find((p) => p.id === useSelection().patternId)!
    expect(made.name).toBe(`${pattern.name} 2`)
    expect(made.deal.parts.filter((id) => pattern.deal.parts.includes(id))).toEqual([])
    expect(rows(made.id).map((r) => r.at)).toEqual(rows(pattern.id).map((r) => r.at))
  })
})
