import { bodiesOf } from '@hilera/core/placing/body'
import * as THREE from 'three'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { go, letGo, pointer, viewer } from '../../test/dragging'
import { opened } from '../../test/opened'
import { useSelection } from '../stores/selection'
import { catchables } from '../arrange/catching'
import { useActs } from './acts'
import { type Grip, gripOf, motionPins } from './handles'
import { useMotionDrag } from './motionDrag'
import { usePicked } from './picked'
import { type Tool, useTools } from './tools'

vi.mock('comlink', () => import('../../test/comlink'))

describe('what is picked', () => {
  let page: Awaited<ReturnType<typeof opened>>
  let drag: ReturnType<typeof useMotionDrag>
  let acts: ReturnType<typeof useActs>
  const stands = (): number[][] =>
    bodiesOf(
      { project: page.document.project, outcomes: page.outcomes.patterns, supportOf: page.outcomes.supportOf },
      usePicked().things,
    ).map((b) => [...b.stands.move])
  beforeEach(async () => {
    localStorage.clear()
    page = await opened()
    acts = useActs()
    drag = useMotionDrag(() => viewer)
    useSelection().pickCopies(new Map([['shelf-tins', new Set(['3', '5'])]]))
    await page.settled()
  })
  const rest = (): Promise<void> => vi.waitFor(() => expect(acts.open).toBeUndefined())

  it('is dragged as one step, and stands exactly there', async () => {
    const [start, before] = [page.document.project, stands()]
    drag.free(pointer('pointerdown', 0, 0), new THREE.Vector3())
    go(9, 10)
    go(15, 30)
    expect(drag.note.value?.words).toContain('15\u202fmm across')
    letGo()
    await rest()
    await page.settled()
    stands().forEach((p, k) =>
      expect(p).toEqual([before[k][0] + 0.015, before[k][1], before[k][2] + 0.03].map((n) => expect.closeTo(n, 12))),
    )
    expect(page.document.undoLabel).toBe('move')
    page.document.undo()
    expect(page.document.project).toEqual(start)
  })

  it('is said otherwise after the drag as often as wanted, still as the one step', async () => {
    const [start, before] = [page.document.project, stands()]
    drag.free(pointer('pointerdown', 0, 0), new THREE.Vector3())
    go(15, 30)
    letGo()
    await rest()
    for (const by of [0.1, 0.025]) {
      expect(acts.shown).toBe('move')
      acts.setHow('move', { ...acts.values.move, by: [by, 0, 0] })
      await rest()
      await page.settled()
      stands().forEach((p, k) => expect(p[0] - before[k][0]).toBeCloseTo(by, 12))
    }
    page.document.undo()
    expect(page.document.project).toEqual(start)
    expect(acts.shown).toBeUndefined()
  })

  it('left in the middle of a drag leaves nothing: no change, no step, nothing to do again, what is picked', async () => {
    const [start, picks] = [page.document.project, useSelection().picks]
    drag.free(pointer('pointerdown', 0, 0), new THREE.Vector3())
    go(60, 30)
    await vi.waitFor(() => expect(page.document.project).not.toEqual(start))
    acts.leave()
    letGo()
    await page.settled()
    expect(page.document.project).toEqual(start)
    expect([page.document.undoLabel, page.document.redoLabel]).toEqual([undefined, undefined])
    expect(useSelection().picks).toBe(picks)
  })

  it('catches what lies under the pointer', async () => {
    const before = stands()
    drag.free(pointer('pointerdown', 0, 0), new THREE.Vector3(), () => ({
      at: new THREE.Vector3(0.1, 0.05, 0.2),
      words: 'corner of Sampler tray 3 caught',
    }))
    go(60, 30)
    expect(drag.note.value?.words).toContain('corner of Sampler tray 3 caught')
    letGo()
    await rest()
    await page.settled()
    expect(stands()[1]).toEqual(before[1].map((n, i) => expect.closeTo(n + [0.1, 0.05, 0.2][i], 12)))
  })

  const gripNow = (): Grip => {
    const bodies = bodiesOf(
      { project: page.document.project, outcomes: page.outcomes.patterns, supportOf: page.outcomes.supportOf },
      usePicked().things,
    )
    return gripOf(bodies, bodies[0], acts.values.move)!
  }
  function grab(key: string, tool: Tool, x: number, y: number): void {
    const grip = gripNow()
    const pin = motionPins(grip, tool, 0.1).pins.find((p) => p.key === key)!
    drag.pin(pointer('pointerdown', 1000 * pin.at.x + x, 1000 * pin.at.z + y), pin, grip)
  }
  const goFrom = (key: string, tool: Tool, x: number, y: number, more: object = {}): void => {
    const { at } = motionPins(gripNow(), tool, 0.1).pins.find((p) => p.key === key)!
    go(1000 * at.x + x, 1000 * at.z + y, more)
  }

  it('along an axis is caught where its outline meets that of another copy, unless Alt is held or outlines are not caught', async () => {
    const before = stands()
    grab('move-across', 'move', 0, 0)
    goFrom('move-across', 'move', 9, 0)
    // The tins stand 12 mm apart; the one that leads is the fourth.
    expect(drag.note.value?.words).toMatch(/^right face on the left face of Shelf tins [57], 12\u202fmm across$/)
    letGo()
    await rest()
    await page.settled()
    stands().forEach((p, k) => expect(p[0] - before[k][0]).toBeCloseTo(0.012, 12))
    page.document.undo()
    await page.settled()
    for (const more of [{ altKey: true }, {}]) {
      useTools().catches = more.altKey ? [...catchables] : catchables.filter((what) => what !== 'outlines')
      grab('move-across', 'move', 0, 0)
      goFrom('move-across', 'move', 9, 0, more)
      expect(drag.note.value?.words).toMatch(/^9\u202fmm across$/)
      letGo()
      await rest()
      page.document.undo()
      await page.settled()
    }
    expect(stands()).toEqual(before)
  })

  it('turned about an axis is caught square to the world and as another copy is turned', async () => {
    grab('turn-up', 'turn', 0, 0)
    const { at } = motionPins(gripNow(), 'turn', 0.1).pins.find((p) => p.key === 'turn-up')!
    const { center } = gripNow()
    const from = Math.atan2(at.z - center.z, at.x - center.x)
    const turned = (degrees: number): void => {
      const angle = from - (degrees * Math.PI) / 180
      go(1000 * (center.x + 0.1 * Math.cos(angle)), 1000 * (center.z + 0.1 * Math.sin(angle)))
    }
    turned(44)
    expect(drag.note.value?.words).toContain('steps of 5°')
    turned(89)
    expect(drag.note.value?.words).toBe('90° about up · square')
    letGo()
    await rest()
    expect(acts.values.move.turn[1]).toBe(Math.PI / 2)
    acts.reset()
    await rest()
  })

  it('an act that moves nothing as it opens goes on being shown', async () => {
    acts.begin('lineUp')
    await vi.waitFor(() => expect(acts.came).toBeDefined())
    const before = stands()
    acts.setHow('lineUp', { ...acts.values.lineUp, to: 'plane', at: 1 })
    await vi.waitFor(() => expect(stands()[0][2]).toBeGreaterThan(before[0][2] + 0.9))
    acts.leave()
    await page.settled()
    expect(stands()).toEqual(before)
  })

  it('what is accepted is what is asked, not what was shown before it', async () => {
    acts.begin('move')
    acts.setHow('move', { ...acts.values.move, by: [0.04, 0, 0] })
    await vi.waitFor(() => expect(acts.came).toBeDefined())
    await page.settled()
    const before = stands()
    acts.setHow('move', { ...acts.values.move, by: [0.1, 0, 0] })
    await acts.accept()
    await page.settled()
    expect(acts.open).toBeUndefined()
    stands().forEach(([x], k) => expect(x - before[k][0]).toBeCloseTo(0.06, 12))
    page.document.undo()
    expect(page.document.undoLabel).toBeUndefined()
  })

  it('what is left while it is worked out is not accepted', async () => {
    const start = page.document.project
    acts.begin('move')
    acts.setHow('move', { ...acts.values.move, by: [0.04, 0, 0] })
    const accepted = acts.accept()
    acts.leave()
    await accepted
    expect(page.document.project).toEqual(start)
    expect(page.document.undoLabel).toBeUndefined()
  })

  it('a refusal moves nothing and says why', async () => {
    acts.begin('space')
    acts.setHow('space', { ...acts.values.space, held: 'overall', overall: 0.05 })
    await vi.waitFor(() => expect(acts.problem).toBeDefined())
    expect(JSON.stringify(acts.problem)).toContain('overlap by up to')
    await acts.accept()
    expect(acts.open).toBe('space')
    acts.leave()
    expect(page.document.undoLabel).toBeUndefined()
  })
})
