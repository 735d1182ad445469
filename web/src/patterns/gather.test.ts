import { Evaluator } from '@hilera/core/evaluate'
import { casaNispero } from '@hilera/demo/casaNispero'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { putOnPath, singles } from './gather'

describe('E13: single things on a path', () => {
  const demo = casaNispero()
  const path = demo.patterns.find((p) => p.layout.kind === 'path' && p.name === 'Tea leaf')!

  it('are those that stand alone and that nothing leans on', () => {
    expect(singles(demo, path).map((p) => p.name)).toEqual(['Shelf', 'Turntable', 'Tray', 'Tower', 'Dish'])
  })

  it('keep their count, their order and what was changed on them by hand', () => {
    const ids = singles(demo, path).map((p) => p.id)
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
})
