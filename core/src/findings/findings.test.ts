import { describe, expect, it } from 'vitest'
import { arm } from '../../test/handed'
import { aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { convexOf } from '../parts/convex'
import { Evaluator } from '../evaluate'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { removed } from '../model/references'
import type { MeshLibrary } from '../parts/partMesh'
import { isIgnored, withIgnored } from './ignored'
import { lookThrough } from './lookThrough'
import { spreadsOf } from '../evaluation/spreads'

const found = (project: Project, meshes: MeshLibrary = new Map()) =>
  lookThrough(project, meshes, new Evaluator().evaluate(project, meshes))
const line = (id: string, part: string, change = {}) =>
  aPattern(aLine({ hold: ['count', 'spacing'], measure: 'pitch', edges: 'centres', spacing: 0.2, count: 4 }), [part], {
    id,
    name: id,
    ...change,
  })

describe('findings', () => {
  it('O3: copies that stand exactly on others are found, in one pattern and in two, turned symmetric ones too', () => {
    const ballPart = ball('ball', 0.1)
    const again = line('again', 'ball', { place: { move: [0.4, 0, 0], turn: [0, Math.PI / 2, 0] } })
    const [first, ...rest] = found(aProject([ballPart], line('row', 'ball'), again))
    expect(first).toMatchObject({ what: 'coincident', pattern: 'again', count: 1, rows: [0] })
    expect(rest).toEqual([])
    const arms = found(aProject([arm('ball')], line('row', 'ball'), again))
    expect(arms.map(({ what }) => what)).toEqual(['between'])
    const hidden = found(aProject([ballPart], line('row', 'ball'), { ...again, hidden: true }))
    expect(hidden).toEqual([])
  })

  it('K1: overlaps are told with the deepest, touching is none', () => {
    const crate = box('crate', 0.2)
    expect(found(aProject([crate], line('row', 'crate')))).toEqual([])
    const wide = box('crate', 0.25)
    const [only] = found(aProject([wide], line('row', 'crate')))
    expect(only).toMatchObject({ what: 'overlaps', pattern: 'row', count: 3, rows: [0, 1, 2, 3] })
    expect(only.worst).toBeCloseTo(0.05, 6)
  })
})

it('spreads: gaps to the nearest, sizes and turns of the copies that are there', () => {
  const crate = box('crate', 0.15)
  const project = aProject(
    [crate],
    line('row', 'crate', { touchUps: { '1': { size: [2, 1, 0.5], turn: [0, 0.3, 0] }, '3': { empty: true } } }),
  )
  const [{ table }] = new Evaluator().evaluate(project, new Map())
  const { gaps, sizes, turns } = spreadsOf(table, () => convexOf(crate, { parts: [crate], meshes: new Map() }))
  expect(sizes.map((s) => Math.round(s * 1e6) / 1e6)).toEqual([1, 1, 1])
  expect(turns.map((t) => Math.round(t * 1e6) / 1e6)).toEqual([0, 0.3, 0])
  expect(gaps).toHaveLength(3)
  expect(gaps[0]).toBeLessThan(0)
})

describe('what could be tidied', () => {
  it('parts that are the shape of another in the same looks are told; other looks are another part', () => {
    const [one, same, other] = [box('one', 0.1), box('same', 0.1), box('other', 0.1)]
    const parts = [one, { ...same, shape: one.shape }, { ...other, look: { ...other.look, color: '#aa0000' } }]
    const rows = parts.map(({ id }, k) => line(`row-${id}`, id, { place: { move: [0, k, 0], turn: [0, 0, 0] } }))
    expect(found(aProject(parts, ...rows))).toMatchObject([{ what: 'alike', count: 1, parts: ['same'] }])
  })

  it('one name for several patterns or parts is told once for all of them, capitals or not', () => {
    const rows = ['a', 'b', 'c'].map((id, k) => line(id, 'crate', { place: { move: [0, k, 0], turn: [0, 0, 0] } }))
    const [one, ...more] = found(
      aProject([box('crate', 0.1)], ...rows.map((row, k) => ({ ...row, name: ['Row', 'row', 'Other'][k] }))),
    )
    expect(one).toMatchObject({ what: 'sameName', pattern: 'a', things: ['b'], count: 2 })
    expect(more).toEqual([])
  })

  it('more lights than the stage shows are told', () => {
    const lamp: Part = {
      ...box('lamp', 0.1),
      shape: { kind: 'light', light: 'point', brightness: 10, angle: 1 },
    }
    const row = (count: number) => line('lamps', 'lamp', { layout: { ...line('x', 'lamp').layout, count } })
    expect(found(aProject([lamp], row(16)))).toEqual([])
    expect(found(aProject([lamp], row(17)))).toMatchObject([{ what: 'lamps', count: 17 }])
  })
})

describe('what is ignored', () => {
  it('is not told again as long as there is no more of it, and goes with what it is about', () => {
    const wide = aProject([box('crate', 0.25)], line('row', 'crate'))
    const [overlaps] = found(wide)
    const ignored = withIgnored([], overlaps, 'ignored-1')
    expect(isIgnored(overlaps, { ignored })).toBe(true)
    expect(isIgnored({ ...overlaps, count: overlaps.count + 1 }, { ignored })).toBe(false)
    expect(isIgnored({ ...overlaps, pattern: 'other' }, { ignored })).toBe(false)
    // Ignored again when there is more of it, it is in the list once.
    expect(withIgnored(ignored, { ...overlaps, count: 9 }, 'ignored-2')).toHaveLength(1)
    expect(removed({ ...wide, ignored }, new Set(['row'])).ignored).toEqual([])
  })
})
