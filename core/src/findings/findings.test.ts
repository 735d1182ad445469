import { describe, expect, it } from 'vitest'
import { arm } from '../../test/handed'
import { aLine, aPattern, aProject, ball, box } from '../../test/projects'
import { convexOf } from '../parts/convex'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import type { MeshLibrary } from '../parts/partMesh'
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
