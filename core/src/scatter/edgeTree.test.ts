import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaOf, depthIn } from './area'
import { EdgeTree } from './edgeTree'

const n = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('a tree of edges', () => {
  it('says the same depth to the bit as all edges do, inside, outside, on corners and far away', () => {
    const corner = fc.tuple(n(-1, 1), n(-1, 1))
    const outlines = fc.array(fc.array(corner, { minLength: 3, maxLength: 15 }), { minLength: 1, maxLength: 3 })
    fc.assert(
      fc.property(outlines, fc.array(fc.tuple(n(-3, 3), n(-3, 3)), { maxLength: 40 }), (points, asked) => {
        // Below as many corners as are asked one by one.
        const rings = points.map((ring) => Float64Array.from(ring.flat()))
        const tree = new EdgeTree(rings)
        const all = [...asked, ...points.flat(), ...points.flat().map(([x, y]): [number, number] => [x / 2, y / 2])]
        for (const [x, y] of all) expect(tree.depth(x, y)).toBe(depthIn(rings, x, y))
      }),
    )
  })

  it('holds for an ellipse, which has so many corners that areas ask it', () => {
    const [w, d] = [0.7, 0.4]
    const { rings } = areaOf({ kind: 'ellipse', width: 2 * w, depth: 2 * d })
    expect(depthIn(rings, 0, 0)).toBeCloseTo(d, 4)
    fc.assert(
      fc.property(n(0, 2), n(0, 2 * Math.PI), (share, angle) => {
        const [x, y] = [share * w * Math.cos(angle), share * d * Math.sin(angle)]
        fc.pre(Math.abs(share - 1) > 1e-3)
        expect(Math.sign(depthIn(rings, x, y))).toBe(share < 1 ? 1 : -1)
      }),
    )
  })

  it('takes outlines of no size', () => {
    const tree = new EdgeTree([Float64Array.of(1, 1, 1, 1, 1, 1)])
    expect(tree.depth(1, 2)).toBe(-1)
  })
})
