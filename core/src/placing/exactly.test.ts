import fc from 'fast-check'
import { produce } from 'immer'
import { expect, it } from 'vitest'
import { aLine, aPattern, aProject, aRing, box, pitched } from '../../test/projects'
import { Evaluator } from '../evaluate'
import { thingsIn } from '../evaluate'
import type { Project } from '../model/project'
import { plainClear } from '../steps/clear/schema'
import { placedExactly, putPlaced } from './exactly'
import { proposed } from './proposed'
import { spaceDefaults } from './space'

const evaluate = (doc: Project) => new Evaluator().evaluate(doc, new Map())

it('however short the way is, a copy comes to stand where it is wanted', () => {
  const doc = aProject([box('tin', 0.1)], aPattern(aRing({ count: 8 }), ['tin'], { id: 'ring' }))
  const from = evaluate(doc)[0].table.placingOf(3)
  fc.assert(
    fc.property(fc.double({ min: -15, max: -7, noNaN: true }), fc.constantFrom(-1, 1), (power, sense) => {
      const by = sense * 10 ** power
      const to = { ...from, move: [from.move[0] + by, from.move[1], from.move[2] - by] as [number, number, number] }
      const made = placedExactly(doc, [{ of: { is: 'copy', pattern: 'ring', slot: '3' }, from, to }], evaluate)
      if (!made.ok) throw new Error(made.problem.says.join(''))
      const stands = evaluate(produce(doc, (draft) => putPlaced(draft, made.value)))[0].table.moveOf(3)
      expect(Math.hypot(...stands.map((n, i) => n - to.move[i]))).toBeLessThan(1e-9)
    }),
  )
})

it('who is to stay stays, where what moves beside it would push it on or have it left out', () => {
  for (const how of ['push', 'leaveOut'] as const) {
    const clear = { ...plainClear, id: 'clear', how, axes: { across: true, up: false, deep: false } }
    const layout = aLine({ ...pitched(5, 0.3), hold: ['spacing', 'count'] })
    const doc = aProject([box('tin', 0.1)], aPattern(layout, ['tin'], { id: 'tins', steps: [clear] }))
    const before = evaluate(doc)
    const worked = { project: doc, outcomes: before, ...thingsIn(doc, new Map(), before) }
    const things = ['0', '1', '2'].map((slot) => ({ is: 'copy', pattern: 'tins', slot }) as const)
    const space = { ...spaceDefaults, by: 'pitch', distance: 0.04, overlaps: true } as const
    const made = proposed({ kind: 'space', how: space }, things, things[0], worked, evaluate)
    if (!made.ok) throw new Error(made.problem.says.join(''))
    const after = produce(doc, (draft) => putPlaced(draft, made.value.placed))
    const { table } = evaluate(after)[0]
    expect(table.isPresent(0)).toBe(true)
    const [first, second, third] = [0, 1, 2].map((k) => table.moveOf(k)[0])
    expect(first).toBe(before[0].table.moveOf(0)[0])
    if (how === 'push') expect([second - first, third - first]).toEqual([0.04, 0.08].map((n) => expect.closeTo(n, 9)))
    // Whoever did not move and was not pushed either is not held for it.
    expect(Object.keys(after.patterns[0].touchUps)).not.toContain('4')
  }
})
