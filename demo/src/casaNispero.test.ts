import { Evaluator } from '@hilera/core/evaluate'
import { readProject } from '@hilera/core/model/project'
import { boundsOfPart } from '@hilera/core/parts/support'
import { describe, expect, it } from 'vitest'
import { casaNispero } from './casaNispero'

describe('the tea counter', () => {
  const project = casaNispero()
  const source = { parts: project.parts, meshes: new Map() }

  it('is a valid project', () => {
    const read = readProject(JSON.parse(JSON.stringify(project)))
    expect(read.ok && read.value).toEqual(project)
  })

  it('has nine tins on the shelf, 13 mm left over', () => {
    const [tins] = new Evaluator().evaluate(project, new Map())
    const line = tins.laid?.kind === 'line' ? tins.laid : undefined
    expect(line?.count).toBe(9)
    expect(line?.run).toBeCloseTo(1.167, 12)
    expect(line?.leftover).toBeCloseTo(0.013, 12)
  })

  it('has tins that are 119 mm wide and 150 mm tall', () => {
    const { low, high } = boundsOfPart(project.parts[0], source)
    expect([high[0] - low[0], high[1] - low[1]]).toEqual([0.119, 0.15])
  })

  it('has a counter front whose left half is mirrored: brackets the other way round, posts twisted the same way', () => {
    const outcome = new Evaluator().evaluate(project, new Map()).find((o) => o.id === 'counter-mirrored')!
    const shapes = Object.fromEntries(outcome.mirrors!.shapes.map(({ id, hand }) => [id, hand]))
    expect(shapes).toEqual({
      'front-panel': 'symmetric',
      ledge: 'symmetric',
      bracket: 'twin',
      post: 'kept',
    })
    expect(outcome.expanded.count).toBe(6)
  })

  it('stands its tins on the board', () => {
    const { high } = boundsOfPart(
      project.parts.find((p) => p.id === 'shelf-board')!,
      source,
    )
    expect(project.patterns[0].place.move[1]).toBe(high[1])
  })
})
