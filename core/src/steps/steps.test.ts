import { describe, expect, it } from 'vitest'
import { evaluated, placesOf, said, slotsOf } from '../../test/placed'
import { aLine, aPattern, aProject, aRing, box } from '../../test/projects'
import type { Aim } from './aim/schema'
import type { Grade } from './grade/schema'
import type { Step } from './index'
import { rotate, type Quaternion } from '../geometry/rotation'

const tin = box('tin', 0.1)
const shaped = (count: number, ...steps: Step[]) =>
  evaluated(
    aProject(
      [tin],
      aPattern(
        aLine({ hold: ['count', 'spacing'], count, measure: 'pitch', edges: 'centres', spacing: 0.2 }),
        ['tin'],
        { steps },
      ),
    ),
  )
const grade = (change: Partial<Grade>): Grade => ({
  kind: 'grade',
  id: 'g',
  what: 'size',
  by: 'ends',
  first: 1,
  last: 0.4,
  amount: 0.1,
  factor: 1.1,
  over: { kind: 'order' },
  easing: 'evenly',
  ...change,
})
const aim = (change: Partial<Aim>): Aim => ({
  kind: 'aim',
  id: 'a',
  at: { kind: 'centre' },
  side: 'front',
  upright: true,
  ...change,
})
const turnOf = (outcome: ReturnType<typeof shaped>, k: number): Quaternion => {
  const q = outcome.table.quaternion.subarray(4 * k, 4 * k + 4)
  return [q[0], q[1], q[2], q[3]]
}

describe('grade', () => {
  it('B13: goes from the first size to the last', () => {
    const { table, stepFacts } = shaped(4, grade({}))
    expect([0, 3, 6, 9].map((i) => Math.round(table.scale[i] * 1e9) / 1e9)).toEqual([1, 0.8, 0.6, 0.4])
    expect(said(stepFacts.g)).toBe('the first 100 %, the last 40 %')
  })

  it('says how many times the first the last one is', () => {
    expect(said(shaped(60, grade({ by: 'factor', factor: 1.03 })).stepFacts.g)).toBe(
      'the first 100 %, the last 572 %: the last is 5.72 times the first',
    )
  })

  it('L6: ten steps of the R10 ratio come to ten times', () => {
    const { table } = shaped(11, grade({ by: 'factor', factor: 10 ** 0.1 }))
    expect(table.scale[30]).toBeCloseTo(10, 12)
    expect(table.scale[9]).toBeCloseTo(1.9953, 4)
  })

  it('B12: turns by a step, the last by (n − 1) steps', () => {
    const outcome = shaped(7, grade({ what: 'turnUp', by: 'amount', amount: Math.PI / 18 }))
    expect(2 * Math.acos(turnOf(outcome, 6)[3])).toBeCloseTo((6 * Math.PI) / 18, 12)
    expect(said(outcome.stepFacts.g)).toBe('the first 0°, the last 60°')
  })

  it('moves along an axis, by the way along it or the distance from a point, eased', () => {
    const lifted = placesOf(
      shaped(
        5,
        grade({ what: 'moveUp', first: 0, last: 1, over: { kind: 'along', axis: 'across' }, easing: 'slowFirst' }),
      ).table,
    )
    lifted.forEach(([, y], k) => expect(y).toBeCloseTo((k / 4) ** 2, 12))
    const v = placesOf(
      shaped(5, grade({ what: 'moveUp', first: 0, last: 1, over: { kind: 'distance', from: [0.4, 0, 0] } })).table,
    )
    v.forEach(([, y], k) => expect(y).toBeCloseTo(Math.abs(k - 2) / 2, 12))
  })

  it('J9: never comes to no size, and says so', () => {
    const { table, stepFacts } = shaped(5, grade({ last: -1 }))
    for (let k = 0; k < 15; k++) expect(table.scale[k]).toBeGreaterThan(0)
    expect(said(stepFacts.g)).toContain('3 would come to no size')
  })
})

describe('aim', () => {
  it('faces a point upright, from any side', () => {
    for (const [side, own] of [
      ['front', [0, 0, 1]],
      ['left', [-1, 0, 0]],
    ] as const) {
      const outcome = shaped(5, aim({ side, at: { kind: 'point', point: [0.4, 3, 1] } }))
      placesOf(outcome.table).forEach(([x], k) => {
        const faced = rotate(turnOf(outcome, k), [...own])
        const length = Math.hypot(0.4 - x, 1)
        expect(faced[0]).toBeCloseTo((0.4 - x) / length, 12)
        expect(faced[2]).toBeCloseTo(1 / length, 12)
        expect(rotate(turnOf(outcome, k), [0, 1, 0])[1]).toBeCloseTo(1, 12)
      })
    }
  })

  it('faces a point in space when it need not stay upright', () => {
    const outcome = shaped(3, aim({ side: 'top', upright: false, at: { kind: 'point', point: [0.2, 0, 0] } }))
    expect(rotate(turnOf(outcome, 0), [0, 1, 0]).map((n) => Math.round(n * 1e9) / 1e9)).toEqual([1, 0, 0])
    expect(rotate(turnOf(outcome, 2), [0, 1, 0]).map((n) => Math.round(n * 1e9) / 1e9)).toEqual([-1, 0, 0])
    expect(said(outcome.stepFacts.a)).toContain('1 stands where it would face and stays as it is')
  })

  it('faces along, the last one as the one before', () => {
    const outcome = shaped(3, aim({ at: { kind: 'along' } }))
    for (let k = 0; k < 3; k++) expect(rotate(turnOf(outcome, k), [0, 0, 1])[0]).toBeCloseTo(1, 12)
  })

  it('faces the centre of a ring, and a copy', () => {
    const ring = evaluated(
      aProject([tin], aPattern(aRing({ count: 5, facing: 'unchanged' }), ['tin'], { steps: [aim({})] })),
    )
    placesOf(ring.table).forEach(([x, , z], k) =>
      expect(rotate(turnOf(ring, k), [0, 0, 1])[0]).toBeCloseTo(-x / Math.hypot(x, z), 9),
    )
    const copy = shaped(3, aim({ at: { kind: 'copy', slot: '2' } }))
    expect(rotate(turnOf(copy, 0), [0, 0, 1])[0]).toBeCloseTo(1, 12)
    expect(said(shaped(3, aim({ at: { kind: 'copy', slot: '9' } })).stepFacts.a)).toBe(
      'the copy to face is not there now',
    )
  })
})

describe('thin', () => {
  it('keeps every second with its slot and part', () => {
    const { table, stepFacts } = shaped(9, { kind: 'thin', id: 't', every: 2, from: 1 })
    expect(slotsOf(table)).toEqual(['0:0', '0:2', '0:4', '0:6', '0:8'])
    placesOf(table).forEach(([x], k) => expect(x).toBeCloseTo(0.4 * k, 12))
    expect(said(stepFacts.t)).toBe('5 of 9 kept')
    expect(shaped(9, { kind: 'thin', id: 't', every: 4, from: 3 }).table.count).toBe(2)
  })

  it('comes before touch-ups, which wait for copies that are not there', () => {
    const { touched, table } = evaluated(
      aProject(
        [tin],
        aPattern(aLine(), ['tin'], {
          steps: [{ kind: 'thin', id: 't', every: 2, from: 1 }],
          touchUps: { '1': { empty: true }, '2': { move: [0, 1, 0] } },
        }),
      ),
    )
    expect(touched).toBe(1)
    expect(table.position[4]).toBe(1)
  })
})
