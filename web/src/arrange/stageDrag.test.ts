import type { Plan } from '@hilera/core/plans/plan'
import * as THREE from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { go, letGo, pointer, viewer } from '../../test/dragging'
import { opened } from '../../test/opened'
import type { Handles } from '../stage/handles'
import { useSelection } from '../stores/selection'
import { underHandles } from '../under/underHandles'
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

  it('a plan is dragged over its plane and turned in it; a locked one says so', async () => {
    const plan: Plan = {
      id: 'wall',
      name: 'Wall',
      file: '0'.repeat(64),
      fileName: 'wall.png',
      mime: 'image/png',
      pixels: [200, 100],
      perPixel: 0.01,
      lies: 'ground',
      move: [0, 0, 0],
      turn: 0,
      strength: 1,
      hidden: false,
    }
    await page.document.change('plan', (project) => void project.plans.push(plan))
    const wall = () => page.document.project.plans.at(-1)!
    const box = new THREE.Box3(new THREE.Vector3(-1, 0, -0.5), new THREE.Vector3(1, 0, 0.5))
    const own = underHandles(wall(), box)
    const [move, turn] = own.pins
    expect(turn.at.toArray()).toEqual([1, 0, 0])
    drag.underPin(pointer('pointerdown', 0, 0), move, own, wall())
    go(40, 30)
    letGo()
    expect(wall().move).toEqual([0.04, 0, 0.03])
    const now = underHandles(wall(), box)
    drag.underPin(pointer('pointerdown', 140, 30), now.pins[1], now, wall())
    // A quarter round, counter-clockwise as it is seen from above: away from whoever looks.
    go(40, -70)
    letGo()
    expect([wall().turn, page.document.undoLabel]).toEqual([expect.closeTo(Math.PI / 2, 12), 'turn of Wall'])
    await page.document.change('lock', (project) => void (project.plans.at(-1)!.locked = true))
    const before = page.document.project
    drag.underPin(pointer('pointerdown', 0, 0), move, own, wall())
    expect(drag.note.value?.words).toBe('Wall is locked: unlock it in the list')
    go(90, 90)
    letGo()
    expect(page.document.project).toBe(before)
  })
})
