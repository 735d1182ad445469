import fc from 'fast-check'
import { produce } from 'immer'
import { expect, it } from 'vitest'
import { aPattern, aProject, aRing, box } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import { placedExactly, putPlaced } from './exactly'

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
