import { Evaluator } from '@hilera/core/evaluate'
import { casaNispero } from '@hilera/demo/casaNispero'
import { expect, it } from 'vitest'
import { MomentsSent } from './momentsSent'

it('leaps are the same when they are looked for again, and none is told of the first picture', () => {
  const project = casaNispero()
  const evaluators = { shown: new Evaluator(), looked: new Evaluator() }
  const moments = new MomentsSent(project, new Map(), () => ({}) as never, evaluators)
  // Three pictures a second apart: the cups open by more than half of their size.
  const slow = { ...project, clock: { length: 3, rate: 1 } }
  const coarse = new MomentsSent(slow, new Map(), () => ({}) as never, evaluators)
  const look = (of: MomentsSent) => [0, 1, 2, 3].map((picture) => of.leaps(picture))
  const first = look(coarse)
  expect(first[0]).toEqual([])
  expect(first.flat().some(({ leaps }) => leaps > 0)).toBe(true)
  expect(look(coarse)).toEqual(first)
  expect(look(moments).flat()).toEqual([])
})
