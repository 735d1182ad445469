import { describe, expect, it } from 'vitest'
import { arm } from '../../test/handed'
import { cube, mirrored, spotsOf } from '../../test/mirrors'
import { aPlane, aProject } from '../../test/projects'
import { Evaluator } from '../evaluate'
import type { Project } from '../model/project'
import { supportOfPart } from '../parts/support'
import { acrossOf } from './across'

function across(project: Project, id = 'mirror') {
  const outcomes = new Evaluator().evaluate(project, new Map())
  const pattern = project.patterns.find((p) => p.id === id)!
  const source = { parts: project.parts, meshes: new Map() }
  return acrossOf(
    pattern,
    outcomes.find((o) => o.id === id)!,
    project,
    (of) => outcomes.find((o) => o.id === of),
    (thing) => supportOfPart(project.parts[thing], source),
  )
}

describe('what stands about a mirror plane', () => {
  it('is told by its outlines: what is mirrored on its side of the plane, images beyond it, as far away', () => {
    // A box 119 mm wide whose pivot is 300 mm from the plane begins 240.5 mm from it.
    const left = spotsOf({ move: [0.3, 0.1, 0], part: 'cube' }, { move: [0.6, 0.1, 0.2], part: 'cube' })
    const found = across(aProject([arm(), cube], left, mirrored(left, [aPlane('across')])))!
    expect(found.before).toBeCloseTo(0.2405, 12)
    expect(found.behind).toBeCloseTo(0.2405, 12)
    expect(found.side).toBe(1)
    expect(found.originals.map(({ low, high }) => [low, high].map((n) => Math.round(n * 1e4) / 1e4))).toEqual([
      [0.2405, 0.3595],
      [0.5405, 0.6595],
    ])
    expect(found.images.map(({ high }) => Math.round(high * 1e4) / 1e4)).toEqual([-0.2405, -0.5405])
    for (const { base, top } of [...found.originals, ...found.images]) {
      expect(base).toBeCloseTo(0.1, 12)
      expect(top).toBeCloseTo(0.25, 12)
    }
  })

  it('an offset of the plane, and the start of either pattern, are heeded; what reaches through the plane is below 0', () => {
    const left = {
      ...spotsOf({ move: [0.3, 0, 0], part: 'cube' }),
      place: { move: [-0.1, 0, 0] as [number, number, number], turn: [0, Math.PI, 0] as [number, number, number] },
    }
    // It stands at −400 mm; the mirror begins at −500 mm, its plane 150 mm further: 50 mm beside the pivot.
    const mirror = {
      ...mirrored(left, [aPlane('across', { offset: 0.15 })]),
      place: { move: [-0.5, 0, 0] as [number, number, number], turn: [0, 0, 0] as [number, number, number] },
    }
    const found = across(aProject([arm(), cube], left, mirror))!
    expect(found.before).toBeCloseTo(0.05 - 0.0595, 12)
    expect(found.behind).toBeCloseTo(0.05 - 0.0595, 12)
  })

  it('of a plane that lies flat, up is away from the viewer; what is no mirror has none', () => {
    const left = spotsOf({ move: [0, 0.3, 0.2], part: 'cube' })
    const project = aProject([arm(), cube], left, mirrored(left, [aPlane('up')]))
    const [original] = across(project)!.originals
    expect([original.low, original.high].map((n) => Math.round(n * 1e4) / 1e4)).toEqual([0.3, 0.45])
    expect([original.base, original.top].map((n) => Math.round(n * 1e4) / 1e4)).toEqual([-0.2595, -0.1405])
    expect(across(project, 'left')).toBeUndefined()
  })
})
