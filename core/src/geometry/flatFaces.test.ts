import { describe, expect, it } from 'vitest'
import { buildSolid } from '../solids/build'
import { flatMiddles } from './flatFaces'

/** The middles of all flat faces of a solid, in micrometres, each once. */
const middles = (solid: Parameters<typeof buildSolid>[0]): string[] => {
  const mesh = buildSolid(solid)
  const middleOf = flatMiddles(mesh)
  const found = Array.from({ length: mesh.indices.length / 3 }, (_, t) => middleOf(t))
  return [...new Set(found.flatMap((m) => (m ? [m.map((n) => Math.round(n * 1e6) + 0).join(' ')] : [])))].sort()
}

describe('the middles of flat faces', () => {
  it('of a box are six', () =>
    expect(middles({ kind: 'box', width: 0.2, height: 0.1, depth: 0.4 })).toEqual(
      ['0 0 0', '0 100000 0', '100000 50000 0', '-100000 50000 0', '0 50000 200000', '0 50000 -200000'].sort(),
    ))
  it('of a cylinder are those of its ends: the facets of its wall are none', () =>
    expect(middles({ kind: 'cylinder', width: 0.1, height: 0.2 })).toEqual(['0 0 0', '0 200000 0']))
  it('of a sphere there are none', () => expect(middles({ kind: 'sphere', width: 0.1 })).toEqual([]))
  it('two faces in one plane that do not touch have a middle each', () => {
    const one = [0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0]
    const positions = Float32Array.from([...one, ...one.map((n, i) => (i % 3 === 0 ? n + 3 : n))])
    const middleOf = flatMiddles({ positions, indices: Uint32Array.from([0, 1, 2, 0, 2, 3, 4, 5, 6, 4, 6, 7]) })
    expect([middleOf(0), middleOf(3)]).toEqual([
      [0.5, 0.5, 0],
      [3.5, 0.5, 0],
    ])
  })
})
