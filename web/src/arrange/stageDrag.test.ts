import { beforeEach, describe, expect, it, vi } from 'vitest'
import { go, letGo, pointer, viewer } from '../../test/dragging'
import { opened } from '../../test/opened'
import type { Handles } from '../stage/handles'
import { useSelection } from '../stores/selection'
import { handlesOf } from './handlesOf'
import { useStageDrag } from './stageDrag'

vi.mock('comlink', () => import('../../test/comlink'))

describe('dragging on the stage', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let handles: Handles
  let drag: ReturnType<typeof useStageDrag>
  const tins = () => page.document.project.patterns.find((p) => p.id === 'shelf-tins')!
  const pinOf = (name: string) => handles.pins.find((p) => p.name === name)!
  beforeEach(async () => {
    page = await opened()
    useSelection().pickPattern('shelf-tins')
    handles = handlesOf(tins(), page.outcomes.byId.get('shelf-tins')!, page.outcomes.supportOf, () => false)!
    drag = useStageDrag(
      () => viewer,
      () => undefined,
    )
  })

  it('moves a pattern over the ground on whole steps, as one step of undo', () => {
    const start = page.document.project
    const [x, y, z] = tins().place.move
    drag.pin(pointer('pointerdown', 100, 100), pinOf('move'), handles)
    for (const n of [101, 120, 137]) go(n, 100 - (n - 100))
    expect(drag.note.value?.words).toContain('37\u202fmm across')
    letGo()
    const now = tins().place.move
    expect([now[0] - x, now[1] - y, now[2] - z].map((n) => Math.round(n * 1e6))).toEqual([37000, 0, -37000])
    expect(page.document.undoLabel).toBe('place of Shelf tins')
    page.document.undo()
    expect(page.document.project).toEqual(start)
    expect(drag.note.value).toBeUndefined()
  })

  it('with Shift moves it up and nothing else', () => {
    const [x, y, z] = tins().place.move
    drag.pin(pointer('pointerdown', 100, 100), pinOf('move'), handles)
    go(130, 80, { shiftKey: true })
    letGo()
    expect(tins().place.move).toEqual([x, expect.closeTo(y + 0.02, 9), z])
  })

  it('a press that goes less than a few pixels is a click; a cancelled drag leaves nothing', () => {
    const start = page.document.project
    drag.pin(pointer('pointerdown', 100, 100), pinOf('move'), handles)
    go(102, 101)
    letGo()
    expect(page.document.project).toBe(start)
    drag.pin(pointer('pointerdown', 100, 100), pinOf('move'), handles)
    go(160, 100)
    expect(page.document.project).not.toEqual(start)
    window.dispatchEvent(pointer('pointercancel', 160, 100) as unknown as Event)
    expect(page.document.project).toEqual(start)
    expect([page.document.undoLabel, page.document.redoLabel]).toEqual([undefined, undefined])
  })

  it('a pin of the layout changes its value by how far it goes along its line', async () => {
    const before = page.outcomes.byId.get('shelf-tins')!.laid as unknown as { room: number }
    drag.pin(pointer('pointerdown', 0, 0), pinOf('end'), handles)
    go(200, 0)
    letGo()
    await page.settled()
    const after = page.outcomes.byId.get('shelf-tins')!.laid as unknown as { room: number }
    expect(after.room - before.room).toBeCloseTo(0.2, 9)
  })
})
