import { boundsOfPart } from '@hilera/core/parts/support'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { opened, quickDemo } from '../../test/opened'
import { copiesStay, usePivotEdits } from './pivotEdits'

vi.mock('comlink', () => import('../../test/comlink'))

type Page = Awaited<ReturnType<typeof opened>>
let page: Page
const tray = () => page.document.project.parts.find((p) => p.id === 'tray')!
/** To the middle of its upper face. */
async function raise(): Promise<void> {
  const { document, settled } = page
  const { high } = boundsOfPart(tray(), document.source)
  await usePivotEdits(tray).changing.change('pivot of Tray', (project) => {
    project.parts.find((p) => p.id === 'tray')!.frame = { up: 'top', front: 'front', pivot: [0, high[1], 0] }
  })
  await settled()
}

describe('the pivot of a part that is a ground as well', () => {
  beforeEach(async () => {
    const demo = quickDemo()
    page = await opened({
      ...demo,
      grounds: [
        {
          id: 'table',
          name: 'Table',
          shape: { kind: 'part', part: 'tray' },
          move: [0.1, 0.2, 0.3],
          turn: Math.PI / 2,
          hidden: false,
        },
      ],
    })
  })

  it('moves and leaves the ground where it is, in one step of undo', async () => {
    copiesStay.value = true
    const { document, settled } = page
    const { high } = boundsOfPart(tray(), document.source)
    const before = document.project
    await raise()
    const [x, y, z] = document.project.grounds[0].move
    expect([x, z]).toEqual([0.1, 0.3])
    expect(y).toBeCloseTo(0.2 + high[1], 12)
    document.undo()
    await settled()
    expect(document.project).toEqual(before)
  })

  it('moves and takes the ground along where copies follow', async () => {
    copiesStay.value = false
    await raise()
    expect(page.document.project.grounds[0].move).toEqual([0.1, 0.2, 0.3])
    copiesStay.value = true
  })
})
