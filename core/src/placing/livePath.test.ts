import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { aPath, aPattern, aProject, ball, box } from '../../test/projects'
import { Evaluator, thingsIn } from '../evaluate'
import { inWorld } from '../model/inWorld'
import type { Project } from '../model/project'
import { sentenceText } from '../numbers/format'
import type { Curve } from '../values/curve'
import type { Vec3 } from '../values/values'
import { bodiesOf } from './body'
import { putPlaced } from './exactly'
import { livePath } from './livePath'
import { proposed } from './proposed'
import { type Space, spaceDefaults } from './space'

const CIRCLE: Curve = { kind: 'arc', radius: 1, start: 0, angle: 2 * Math.PI }
const HELIX: Curve = { kind: 'helix', radius: 0.6, endRadius: 0.8, height: 1, turns: 2 }
const evaluate = (doc: Project) => new Evaluator().evaluate(doc, new Map())
const COUNT = 5
const TURN: [number, number, number, number] = [0.48, 0.6, 0, 0.64]

/** Unlike spots near a path that stands turned elsewhere, one of them turned and sized. */
function scene(curve: Curve, from: number): Project {
  const parts = [ball('bead', 0.02), box('tin', 0.06), ball('plum', 0.05)]
  const path = aPattern(aPath({ curve, hold: 'count', count: 2 }), ['bead'], {
    id: 'path',
    name: 'Path',
    place: { move: [0.3, 0.1, -0.2], turn: [0, 0.5, 0] },
  })
  const spots = Array.from({ length: COUNT }, (_, slot) => {
    const angle = from + 0.55 * slot
    const near: Vec3 = [0.95 * Math.cos(angle), 0.05, 0.95 * Math.sin(angle)]
    const { move } = inWorld(path, { move: near, turn: [0, 0, 0, 1], size: [1, 1, 1] })
    return { slot, move, ...(slot === 2 && { turn: TURN, size: [1, 2, 1] as Vec3 }) }
  })
  const ids = spots.map((_, k) => parts[k % parts.length].id)
  return aProject(parts, path, aPattern({ kind: 'spots', spots }, ids, { id: 'spots', name: 'Spots' }))
}

const picked = Array.from({ length: COUNT }, (_, k) => ({ is: 'copy', pattern: 'spots', slot: String(k) }) as const)
const around = (doc: Project) => {
  const outcomes = evaluate(doc)
  return { project: doc, outcomes, ...thingsIn(doc, new Map(), outcomes) }
}
function spaced(doc: Project, how: Partial<Space>): Project {
  const act = { kind: 'space', how: { ...spaceDefaults, along: 'path', path: 'path', ...how } } as const
  const made = proposed(act, picked, picked[0], around(doc), evaluate)
  if (!made.ok) throw new Error(sentenceText(made.problem.says, 'mm'))
  return produce(doc, (draft) => putPlaced(draft, made.value.placed))
}
function live(doc: Project, by: Space['by']) {
  const things = [...doc.parts, ...doc.patterns]
  return livePath(
    around(doc),
    bodiesOf(around(doc), picked),
    { path: 'path', by },
    {
      id: 'live',
      name: 'Path of spots',
      idOf: (t) => things[t].id,
      nameOf: (t) => things[t].name,
      twinOf: (t) => things[t].id,
    },
    evaluate,
  )
}

describe.each([
  ['a helix', HELIX, 0],
  ['a circle', CIRCLE, 0.3],
  ['a circle, over its end', CIRCLE, 5.4],
] as const)('copies spaced along %s', (_, curve, from) => {
  it.each(['pitch', 'gap'] as const)('by %s become a live path of that spacing, and none moves', (by) => {
    const doc = spaced(scene(curve, from), { by, distance: by === 'pitch' ? 0.31 : 0.22, stays: 'middle' })
    const before = bodiesOf(around(doc), picked).map(({ stands }) => stands)
    const made = live(doc, by)
    if (!made.ok) throw new Error(sentenceText(made.problem.says, 'mm'))
    const { layout, touchUps } = made.value.patterns.find(({ id }) => id === 'live')!
    expect(layout).toMatchObject({ kind: 'path', count: COUNT, measure: by })
    expect(layout.kind === 'path' && layout.spacing).toBeCloseTo(by === 'pitch' ? 0.31 : 0.22, 8)
    const after = bodiesOf(
      around(made.value),
      picked.map(({ slot }) => ({ is: 'copy', pattern: 'live', slot })),
    ).map(({ stands }) => stands)
    expect(after).toHaveLength(COUNT)
    for (const was of before) {
      const near = after.find((is) => Math.hypot(...is.move.map((n, i) => n - was.move[i])) < 1e-9)
      expect(near?.size).toEqual(was.size)
      near?.turn.forEach((n, i) => expect(n).toBeCloseTo(was.turn[i], 9))
    }
    // It is the path that places them, turned as it stands; nothing but turns and sizes is left to touch-ups.
    const moves = Object.values(touchUps).map(({ move = [0, 0, 0] }) => Math.hypot(...move))
    expect(Math.max(0, ...moves)).toBeLessThan(1e-9)
    // The places that they left are empty.
    const left = evaluate(made.value).find(({ id }) => id === 'spots')
    expect(left?.table.presentCount() ?? 0).toBe(0)
  })
})

it('says what stands in the way: not spaced yet, a path of several contours, mirror images', () => {
  const loose = live(scene(CIRCLE, 0.3), 'gap')
  expect(loose.ok ? '' : loose.problem.says.join('')).toContain('not evenly spaced')
  const two = produce(spaced(scene(CIRCLE, 0.3), { by: 'pitch', distance: 0.3 }), (draft) => {
    const { layout } = draft.patterns[0]
    if (layout.kind === 'path') layout.curve = { kind: 'bezier', runs: [run(0), run(1)], from: { kind: 'hand' } }
  })
  const several = live(two, 'pitch')
  expect(several.ok ? '' : several.problem.says.join('')).toContain('several contours')
})

const run = (z: number) => ({
  start: [0, 0, z] as Vec3,
  pieces: [
    [
      [0.3, 0, z],
      [0.6, 0, z],
      [1, 0, z],
    ],
  ] as [Vec3, Vec3, Vec3][],
  closed: false,
})
