import { describe, expect, it } from 'vitest'
import { aPath, aPattern, aProject, box } from '../../test/projects'
import { edgeCurve } from '../curves/edges'
import type { Part } from '../model/part'
import type { Project } from '../model/project'
import { removed, withParts } from '../model/references'
import type { ChosenEdges } from '../values/curve'
import { curveAlong, curveOf, followedEdges } from './edgeCurves'
import { partMesh } from './partMesh'

const which: ChosenEdges = { as: 'loop', at: [0.5, 1, 1], toward: [0, 1, 0], size: [1, 1, 1] }
const wide = (part: Part, width: number): Part => ({ ...part, shape: { ...part.shape, width } as Part['shape'] })

/** A row along the loop round the top of a box, and a rod along one edge of the same box. */
function followers(): Project {
  const host = box('host', 0.2)
  const curve = edgeCurve(partMesh(host, { parts: [host], meshes: new Map() })!, host, which)
  if (!curve.ok) throw new Error('no loop')
  const rod: Part = {
    ...box('rod', 0.1),
    shape: { kind: 'tube', curve: curve.value, thickness: 0.01 },
  }
  return aProject([host, rod], aPattern(aPath({ curve: curve.value }), ['host']))
}

describe('curves along the edges of a part', () => {
  it('E8: go along where the part changes, in patterns and in other parts, and only then', () => {
    const before = followers()
    expect(followedEdges(before, before, new Map())).toEqual([])
    const [host, rod] = before.parts
    const after = { ...before, parts: [wide(host, 0.5), rod] }
    const followed = followedEdges(after, before, new Map())
    expect(followed.map(({ of, at }) => [of, at])).toEqual([
      ['patterns', 0],
      ['parts', 1],
    ])
    for (const { curve } of followed) {
      if (curve.kind !== 'bezier') throw new Error('another curve')
      const across = [curve.runs[0].start, ...curve.runs[0].pieces.map((p) => p[2])].map(([x]) => x)
      expect([Math.min(...across), Math.max(...across)]).toEqual([expect.closeTo(-0.25, 9), expect.closeTo(0.25, 9)])
      expect(curve.from).toEqual({ kind: 'edges', part: host.name, of: 'host', which })
    }
    // A part that is called otherwise is called so in the sentence too.
    const renamed = { ...before, parts: [{ ...host, name: 'Crate' }, rod] }
    const [{ curve }] = followedEdges(renamed, before, new Map())
    expect(curve.kind === 'bezier' && curve.from).toMatchObject({ part: 'Crate', of: 'host' })
  })

  it('stay where they are when the pivot moves or the part comes to lie on another side, and go along as before', () => {
    const before = followers()
    const [host, rod] = before.parts
    const lain: Part = { ...host, frame: { pivot: [0.03, 0.02, -0.01], up: 'right', front: 'top' } }
    const after = { ...before, parts: [lain, rod] }
    expect(followedEdges(after, before, new Map())).toEqual([])
    const [{ curve }] = followedEdges({ ...after, parts: [wide(lain, 0.5), rod] }, after, new Map())
    const [plain] = followedEdges({ ...before, parts: [wide(host, 0.5), rod] }, before, new Map())
    expect(curve).toEqual(plain.curve)
    // One that is taken from the part as it lies there goes by that.
    const fresh = curveAlong(lain, { which, frame: lain.frame }, { parts: [lain], meshes: new Map() })
    expect(fresh?.ok && fresh.value).toMatchObject({ from: { frame: lain.frame } })
  })

  it('stay as they were where the part has no edges any more, or is gone', () => {
    const before = followers()
    const [host, rod] = before.parts
    const ball: Part = { ...host, shape: { kind: 'sphere', width: 0.2 } }
    expect(followedEdges({ ...before, parts: [ball, rod] }, before, new Map())).toEqual([])
    const other = {
      ...before,
      patterns: before.patterns.map((p) => withParts(p, (id) => (id === 'host' ? 'rod' : id))),
    }
    // Nothing deals it any more, and the mention of it goes with it; the curve stays.
    const elsewhere = { ...before, patterns: [{ ...before.patterns[0], deal: other.patterns[0].deal }] }
    const without = removed(elsewhere, new Set(['host']))
    const [now, was] = [curveOf(without.patterns[0]), curveOf(before.patterns[0])]
    expect(now).toEqual({ ...was, from: { kind: 'edges', part: host.name, which } })
  })
})
