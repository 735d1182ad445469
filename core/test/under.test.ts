import { describe, expect, it } from 'vitest'
import { Evaluator } from '../src/evaluate'
import { foldProject } from '../src/folding/foldProject'
import { foldDefaults } from '../src/shapes/fold'
import { makeSeparate } from '../src/links/separate'
import type { Ground } from '../src/model/ground'
import type { Project } from '../src/model/project'
import { keepersOf, removed } from '../src/model/references'
import { placedExactly, putPlaced } from '../src/placing/exactly'
import { inWorld } from '../src/model/inWorld'
import { withPivot } from '../src/placing/pivot'
import type { Settle } from '../src/steps/settle/schema'
import { plainClear } from '../src/steps/clear/schema'
import { aCompanion, aLine, aPattern, aProject, ball, box } from './projects'
import { produce } from 'immer'

const slope: Ground = {
  id: 'slope',
  name: 'Slope',
  shape: { kind: 'slope', width: 4, depth: 4, rise: 1 },
  move: [0, 0, 0],
  turn: 0.4,
  hidden: false,
}
const settle: Settle = {
  kind: 'settle',
  id: 'settle',
  on: [{ kind: 'ground', ground: 'slope' }],
  which: 'topmost',
  stands: 'normal',
  limit: 0.2,
  by: 'foot',
  above: 0,
}
const row = (change = {}) =>
  aPattern(aLine({ hold: ['count', 'spacing'], count: 5, measure: 'pitch', spacing: 0.3, edges: 'centres' }), ['tin'], {
    id: 'row',
    steps: [settle],
    ...change,
  })
const project = (pattern = row(), ...more: Parameters<typeof aProject>[1][]): Project => ({
  ...aProject([box('tin', 0.1), ball('ball', 0.1)], pattern, ...more),
  grounds: [slope],
})
const work = (doc: Project) => new Evaluator().evaluate(doc, new Map())
const places = (doc: Project) => {
  const [{ table }] = work(doc)
  return Array.from({ length: table.count }, (_, k) => table.placingOf(k))
}
const near = (a: readonly number[], b: readonly number[]): void =>
  a.forEach((n, i) => expect(Math.abs(n - b[i])).toBeLessThan(2e-8))

describe('what settles', () => {
  it('and is made separate stays where it is: who leans does not lean once more', () => {
    const doc = project()
    const before = places(doc)
    const [{ table }] = work(doc)
    const after = produce(doc, (draft) => {
      makeSeparate(
        draft,
        draft.patterns[0],
        { table, frames: [] },
        () => 'tin',
        () => 'tin',
        () => 'tin',
      )
    })
    places(after).forEach(({ move, turn }, k) => {
      near(move, before[k].move)
      near(turn, before[k].turn)
    })
  })

  it('and is moved over the ground goes on settling; lifted it does not settle any more', () => {
    const doc = project()
    const at = (d: Project) => inWorld(d.patterns[0], places(d)[2])
    const from = at(doc)
    const placed = (to: typeof from) => {
      const found = placedExactly(doc, [{ of: { is: 'copy', pattern: 'row', slot: '2' }, from, to }], work)
      if (!found.ok) throw new Error('refused')
      return produce(doc, (draft) => putPlaced(draft, found.value))
    }
    const slid = placed({ ...from, move: [from.move[0] + 0.2, from.move[1], from.move[2] - 0.3] })
    near([at(slid).move[0], at(slid).move[2]], [from.move[0] + 0.2, from.move[2] - 0.3])
    expect(at(slid).move[1]).not.toBeCloseTo(from.move[1], 3)
    expect(slid.patterns[0].touchUps['2'].unsettled).toBeUndefined()
    const lifted = placed({ ...from, move: [from.move[0], from.move[1] + 0.5, from.move[2]] })
    near(at(lifted).move, [from.move[0], from.move[1] + 0.5, from.move[2]])
    expect(lifted.patterns[0].touchUps['2'].unsettled).toBe(true)
  })

  it('K10: slides along the ground while it is cleared, and stands on it afterwards', () => {
    const crowd = row({
      layout: aLine({ hold: ['count', 'spacing'], count: 5, measure: 'pitch', spacing: 0.06, edges: 'centres' }),
      steps: [
        { ...settle, stands: 'upright', by: 'pivot' },
        { ...plainClear, id: 'clear', clearance: 0.01 },
      ],
    })
    const doc = project(crowd)
    const [outcome] = work(doc)
    expect(outcome.stepFacts.clear[0].says).toContainEqual({ words: 'Clear', tone: 'good' })
    for (const placing of places(doc)) {
      const { move } = inWorld(doc.patterns[0], placing)
      const back = [
        Math.cos(0.4) * move[0] - Math.sin(0.4) * move[2],
        Math.sin(0.4) * move[0] + Math.cos(0.4) * move[2],
      ]
      expect(Math.abs(move[1] - (0.5 - back[1] / 4))).toBeLessThan(1e-9)
    }
  })

  it('G2: what goes with it goes along: a companion stands on its settled hosts', () => {
    const doc = project(row(), aPattern(aCompanion('row', { offset: [0, 0.2, 0] }), ['ball'], { id: 'with' }))
    const steeper = { ...doc, grounds: [{ ...slope, shape: { kind: 'slope', width: 4, depth: 4, rise: 2 } as const }] }
    const rises = (d: Project): number[] => {
      const [hosts, companions] = work(d)
      return Array.from({ length: 5 }, (_, k) => companions.table.position[3 * k + 1] - hosts.table.position[3 * k + 1])
    }
    const leaned = (rise: number): number => Math.cos(Math.atan(rise / 4))
    // Their offsets turn with their hosts, from the base of each.
    for (const [d, rise] of [
      [doc, 1],
      [steeper, 2],
    ] as const)
      for (const n of rises(d)) expect(n / leaned(rise)).toBeCloseTo(rises(doc)[0] / leaned(1), 9)
  })

  it('on the copies of another pattern stands on them, and on nothing where they are left empty', () => {
    const tray = aPattern({ kind: 'spots', spots: [{ slot: 0, move: [0.3, 0.2, 0] }] }, ['tin'], { id: 'tray' })
    const sweets = row({ steps: [{ ...settle, on: [{ kind: 'copies', pattern: 'tray' }], stands: 'upright' }] })
    const doc = { ...project(tray, sweets), grounds: [] }
    const [, outcome] = work(doc)
    const top = 0.2 + work(doc)[0].table.sizeOf(0)[1] * 0
    expect(outcome.table.position[3 * 1 + 1]).toBeGreaterThan(top)
    expect(outcome.astray.settle).toEqual([0, 2, 3, 4])
    const emptied = produce(doc, (draft) => {
      draft.patterns[0].touchUps['0'] = { empty: true }
    })
    expect(work(emptied)[1].astray.settle).toEqual([0, 1, 2, 3, 4])
  })
})

describe('grounds', () => {
  it('let go of what settled on them when they go, and keep the parts that they are made of', () => {
    const doc = {
      ...project(),
      grounds: [slope, { ...slope, id: 'deck', shape: { kind: 'part', part: 'ball' } as const }],
    }
    expect(keepersOf(doc, 'ball').map((k) => k.id)).toEqual(['deck'])
    const without = removed(doc, new Set(['slope']))
    expect(without.patterns[0].steps).toEqual([{ ...settle, on: [] }])
    expect(work(without)[0].problem).toBeUndefined()
  })
  it('stay where they are when the pivot of their part is moved, and when alike parts are folded', () => {
    const deck: Ground = { ...slope, id: 'slope', shape: { kind: 'part', part: 'deck' } }
    const base = project(row({ steps: [{ ...settle, stands: 'upright' }] }))
    const doc = {
      ...base,
      parts: [...base.parts, { ...box('deck', 4) }, { ...box('twin deck', 4), id: 'other' }],
      grounds: [deck],
    }
    const before = places(doc)
    const moved = withPivot(doc, 'deck', { pivot: [0.5, 0.1, 0.3], up: 'top', front: 'front' }, new Map(), work)
    if (!moved.ok) throw new Error('refused')
    places(moved.value).forEach(({ move }, k) => near(move, before[k].move))
    let n = 0
    const folded = foldProject(doc, { parts: doc.parts, meshes: new Map() }, foldDefaults, () => `new-${n++}`)
    expect(folded.parts.map((p) => p.id)).toContain('deck')
    places({ ...doc, parts: folded.parts, patterns: folded.patterns }).forEach(({ move }, k) =>
      near(move, before[k].move),
    )
  })
})
