import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { ChosenEdges } from '../values/curve'
import { buildSolid } from '../solids/build'
import { arcLengthOf } from './arcLength'
import { buildCurve } from './build'
import { shareOfBox } from './chosenEdges'
import { edgeCurve } from './edges'

const boxMesh = (width: number, height: number, depth: number) => buildSolid({ kind: 'box', width, height, depth })
const tin = buildSolid({ kind: 'cylinder', width: 1, height: 1 })
const part = { id: 'host', name: 'Host' }

/** The one contour along what is chosen: its length, whether it closes, and its places. */
function along(mesh: Parameters<typeof edgeCurve>[0], which: Omit<ChosenEdges, 'size'>, size: ChosenEdges['size']) {
  const curve = edgeCurve(mesh, part, { ...which, size })
  if (!curve.ok) throw new Error(curve.problem.says.join(''))
  const [run] = curve.value.runs
  const built = buildCurve(curve.value)
  if (!built.ok) throw new Error('no curve')
  return {
    length: arcLengthOf(built.value[0]).length,
    closed: run.closed,
    places: [run.start, ...run.pieces.map((p) => p[2])],
  }
}

describe('chosen edges of a part', () => {
  it('E8: an edge of a box is as long as the box, whatever its size, and sized as its copy is', () => {
    const size = fc.integer({ min: 1, max: 40 }).map((n) => n / 20)
    fc.assert(
      fc.property(size, size, size, size, (width, height, depth, by) => {
        const mesh = boxMesh(width, height, depth)
        // The upper edge in front, a third along.
        const which = { at: [1 / 3, 1, 1] as [number, number, number], toward: [0, 1, 0] as [number, number, number] }
        const edge = along(mesh, { ...which, as: 'edge' }, [by, 1, 1])
        expect(edge.length).toBeCloseTo(by * width, 6)
        // Three edges meet in each corner: there a chain ends too.
        expect(along(mesh, { ...which, as: 'chain' }, [by, 1, 1]).length).toBeCloseTo(by * width, 6)
        const top = along(mesh, { ...which, as: 'loop' }, [1, 1, 1])
        expect([top.closed, top.length]).toEqual([true, expect.closeTo(2 * (width + depth), 6)])
        for (const [, y] of top.places) expect(y).toBeCloseTo(height, 6)
        // The same edge, but the face in front of it was meant.
        const front = along(mesh, { ...which, as: 'loop', toward: [0, 0, 1] }, [1, 1, 1])
        expect(front.length).toBeCloseTo(2 * (width + height), 6)
        for (const [, , z] of front.places) expect(z).toBeCloseTo(depth / 2, 6)
      }),
      { numRuns: 40 },
    )
  })

  it('of a rim an edge is one facet, its chain the rim, and so is the loop of either face', () => {
    const at = shareOfBox(tin, [0.5, 1, 0])
    const [edge, chain, top, side] = [
      { as: 'edge', toward: [0, 1, 0] } as const,
      { as: 'chain', toward: [0, 1, 0] } as const,
      { as: 'loop', toward: [0, 1, 0] } as const,
      { as: 'loop', toward: [1, 0, 0] } as const,
    ].map(({ as, toward }) => along(tin, { as, at, toward: [...toward] }, [1, 1, 1]))
    expect(edge.length).toBeCloseTo(Math.sin(Math.PI / 48), 6)
    expect(chain.length).toBeCloseTo(48 * Math.sin(Math.PI / 48), 5)
    expect([chain.closed, top.closed, side.closed]).toEqual([true, true, true])
    for (const rim of [chain, top, side]) for (const [, y] of rim.places) expect(y).toBeCloseTo(1, 6)
  })

  it('a mirror image goes round the other way', () => {
    const which = { as: 'loop', at: [0.5, 1, 1], toward: [0, 1, 0] } as const
    const [own, image] = [1, -1].map((x) =>
      along(boxMesh(0.4, 0.2, 0.3), { ...which, at: [...which.at], toward: [...which.toward] }, [x, 1, 1]),
    )
    expect(image.places).toEqual(own.places.map(([x, y, z]) => [-x, y, z]))
  })

  it('a loop that does not close is refused with what to do', () => {
    // A sheet of five by five cells with three holes on its diagonal, which meet in corners: the middle one ends at two of them.
    const [n, gone] = [5, [6, 12, 18]]
    const at = (x: number, z: number): number => x + (n + 1) * z
    const cells = Array.from({ length: n * n }, (_, k) => k).filter((k) => !gone.includes(k))
    const sheet = {
      positions: Float32Array.from({ length: 3 * (n + 1) ** 2 }, (_, i) => {
        const v = Math.floor(i / 3)
        return [v % (n + 1), 0, Math.floor(v / (n + 1))][i % 3]
      }),
      normals: new Float32Array(3 * (n + 1) ** 2),
      indices: Uint32Array.from(
        cells.flatMap((k) => {
          const [x, z] = [k % n, Math.floor(k / n)]
          return [at(x, z), at(x, z + 1), at(x + 1, z + 1), at(x, z), at(x + 1, z + 1), at(x + 1, z)]
        }),
      ),
      sections: [],
    }
    const edgeAt = (x: number, z: number) =>
      edgeCurve(sheet, part, { as: 'loop', at: [x / n, 0.5, z / n], toward: [0, 1, 0], size: [1, 1, 1] })
    const middle = edgeAt(2.5, 2)
    expect(middle.ok ? '' : middle.problem.says.join('')).toBe(
      'The edges of Host there do not close to a loop. Take the edge, or its chain, instead.',
    )
    // The outermost holes and the sheet itself close.
    expect([edgeAt(1.5, 1).ok, edgeAt(2.5, 0).ok]).toEqual([true, true])
  })
})
