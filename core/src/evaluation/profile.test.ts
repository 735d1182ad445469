import { expect, it } from 'vitest'
import { aPattern, aProject, ball } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import type { Settle } from '../steps/settle/schema'
import { profileOf } from './profile'
import { restsIn } from './resting'

const settle: Settle = {
  kind: 'settle',
  id: 's',
  on: [{ kind: 'ground', ground: 'slope' }],
  which: 'topmost',
  stands: 'upright',
  limit: 0.1,
  by: 'pivot',
  above: 0,
}
const at = (slot: number, x: number, z: number) => ({ slot, move: [x, 0, z] as [number, number, number] })

it('the profile runs straight up a slope, from copy to copy in their order, and ends where the ground ends', () => {
  const pattern = aPattern({ kind: 'spots', spots: [at(0, 0, 1), at(1, 0, -1), at(2, 3, -1)] }, ['b'], {
    id: 'p',
    steps: [settle],
  })
  const slope = {
    id: 'slope',
    name: 'Slope',
    shape: { kind: 'slope', width: 4, depth: 2, rise: 1 },
    move: [0, 0, 0],
    turn: 0,
    hidden: false,
  } as const
  const project = {
    ...aProject([ball('b', 0.2)], pattern),
    grounds: [{ ...slope, move: [0, 0, 0] as [number, number, number] }],
  }
  const outcomes = new Evaluator().evaluate(project, new Map())
  const restOf = restsIn({ project, source: { parts: project.parts, meshes: new Map() }, outcomeOf: () => outcomes[0] })
  const { shapeOf } = thingsIn(project, new Map(), outcomes)
  const { copies, along, heights } = profileOf(pattern, outcomes[0], { restOf, shapeOf })!
  expect(copies.map((c) => [c.at, c.ground])).toEqual([
    [0, 0],
    [2, 1],
    [5, undefined],
  ])
  expect(copies[1].high - copies[1].low).toBeCloseTo(0.2, 12)
  // Between the first two it rises evenly; beyond the edge, two metres from the middle, there is none.
  for (let n = 0; n <= 8; n++) expect(heights[n]).toBeCloseTo(along[n] / 2, 12)
  expect(Array.from(heights.subarray(9)).map(Number.isNaN)).toEqual([
    false,
    false,
    false,
    false,
    false,
    true,
    true,
    true,
  ])
})

it('what does not settle has none', () => {
  const pattern = aPattern({ kind: 'spots', spots: [at(0, 0, 1)] }, ['b'], { id: 'p' })
  const outcomes = new Evaluator().evaluate(aProject([ball('b', 0.2)], pattern), new Map())
  expect(profileOf(pattern, outcomes[0], { restOf: () => undefined, shapeOf: () => undefined })).toBeUndefined()
})
