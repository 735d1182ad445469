import { Evaluator } from '@hilera/core/evaluate'
import { casaNispero } from '@hilera/demo/casaNispero'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { slotKeyOf } from '@hilera/core/instances'
import { putOnPath, puttable } from './gather'

describe('E13: single things on a path', () => {
  const demo = casaNispero()
  const path = demo.patterns.find((p) => p.layout.kind === 'path' && p.name === 'Tea leaf')!

  it('are those that stand alone and that nothing leans on', () => {
    expect(puttable(demo, path).map((p) => p.name)).toEqual(['Shelf', 'Turntable', 'Tray', 'Tower', 'Dish'])
  })

  it('keep their count, their order and what was changed on them by hand', () => {
    const ids = puttable(demo, path).map((p) => p.id)
    const after = produce(demo, (draft) => {
      draft.patterns.find((p) => p.id === ids[2])!.touchUps = { '0': { size: [2, 2, 2] } }
      putOnPath(draft, path.id, ids)
    })
    const placed = new Evaluator().evaluate(after, new Map()).find((o) => o.id === path.id)!
    expect(placed.table.count).toBe(5)
    const names = Array.from(placed.table.thing.subarray(0, 5), (i) => after.parts[i].name)
    expect(names).toEqual(['Shelf board', 'Turntable', 'Tray', 'Tower core', 'Dish'])
    expect(Array.from(placed.table.scale.subarray(3, 9))).toEqual([1, 1, 1, 2, 2, 2])
    expect(after.patterns).toHaveLength(demo.patterns.length - 5)
  })

  it('of a pattern of spots all come, with their own parts, turns and sizes, in their order', () => {
    const [tin, cup] = ['sencha-tin', 'cup']
    const spots = Array.from({ length: 130 }, (_, slot) => ({
      slot,
      move: [slot, 0, 0] as [number, number, number],
      part: slot % 3 === 0 ? cup : tin,
      ...(slot === 4 && { size: [2, 2, 2] as [number, number, number] }),
    }))
    const after = produce(demo, (draft) => {
      const shelf = draft.patterns.find((p) => p.name === 'Shelf')!
      shelf.layout = { kind: 'spots', spots }
      shelf.touchUps = { [slotKeyOf(7, 0)]: { empty: true } }
      expect(puttable(draft, path).map((p) => p.name)).toContain('Shelf')
      putOnPath(draft, path.id, [shelf.id])
    })
    const { table } = new Evaluator().evaluate(after, new Map()).find((o) => o.id === path.id)!
    const stood = spots.filter(({ slot }) => slot !== 7)
    expect(Array.from(table.thing.subarray(0, table.count), (i) => after.parts[i].id)).toEqual(stood.map((s) => s.part))
    expect(table.sizeOf(4)).toEqual([2, 2, 2])
    expect(table.sizeOf(5)).toEqual([1, 1, 1])
  })
})
