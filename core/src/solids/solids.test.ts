import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Solid } from '../model/part'
import type { Vec3 } from '../model/values'
import { fromTurns, inverse, rotate } from '../rotation'
import { buildSolid } from './build'
import { type Mesh, triangleCount, volumeOf } from './mesh'
import { boundsOf, outlineAlong } from './outline'

const solids: Solid[] = [
  { kind: 'box', width: 2, height: 3, depth: 4 },
  { kind: 'roundedBox', width: 2, height: 3, depth: 4, radius: 0.4 },
  { kind: 'cylinder', width: 2, height: 2 },
  { kind: 'cone', width: 2, top: 0.5, height: 3 },
  { kind: 'cone', width: 2, top: 0, height: 3 },
  { kind: 'sphere', width: 2 },
  { kind: 'torus', width: 8, thickness: 2 },
  {
    kind: 'lathe',
    profile: [
      { radius: 0, height: 0 },
      { radius: 1, height: 0.5, color: '#aa0000' },
      { radius: 0.5, height: 2 },
      { radius: 0, height: 2 },
    ],
  },
]
const named = solids.map((s) => [s.kind, s] as const)

/** Every edge of a closed surface is walked once each way; vertices at one place count as one. */
function openEdges({ positions, indices }: Mesh): number {
  const ids = new Map<string, number>()
  const corner = (v: number): number => {
    const key = [0, 1, 2].map((i) => Math.round(positions[3 * v + i] * 1e5)).join()
    return ids.get(key) ?? (ids.set(key, ids.size), ids.size - 1)
  }
  const edges = new Map<string, number>()
  for (let t = 0; t < indices.length; t += 3) {
    const c = [0, 1, 2].map((i) => corner(indices[t + i]))
    for (let i = 0; i < 3; i++) {
      const [a, b] = [c[i], c[(i + 1) % 3]]
      const key = a < b ? `${a} ${b}` : `${b} ${a}`
      edges.set(key, (edges.get(key) ?? 0) + (a < b ? 1 : -1))
    }
  }
  return [...edges.values()].filter((n) => n !== 0).length
}

describe.each(named)('%s', (_, solid) => {
  const mesh = buildSolid(solid)

  it('is closed and faces outward', () => {
    expect(openEdges(mesh)).toBe(0)
    expect(volumeOf(mesh)).toBeGreaterThan(0)
  })

  it('has unit normals on the outer side of every face', () => {
    const { positions: p, normals: n, indices } = mesh
    for (let v = 0; v < n.length; v += 3) expect(Math.hypot(n[v], n[v + 1], n[v + 2])).toBeCloseTo(1, 5)
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((i) => 3 * indices[t + i])
      const u = [0, 1, 2].map((i) => p[b + i] - p[a + i])
      const v = [0, 1, 2].map((i) => p[c + i] - p[a + i])
      const face = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
      const mean = [0, 1, 2].map((i) => n[a + i] + n[b + i] + n[c + i])
      expect(face[0] * mean[0] + face[1] * mean[1] + face[2] * mean[2]).toBeGreaterThan(0)
    }
  })

  it('stands on its base', () => {
    const { low } = boundsOf(solid)
    expect(low[1]).toBeCloseTo(0, 12)
  })

  it('has an outline that holds its mesh and is reached by it within the facets', () => {
    const direction = fc.tuple(
      ...[0, 1, 2].map(() => fc.double({ min: -1, max: 1, noNaN: true })),
    ) as fc.Arbitrary<Vec3>
    fc.assert(
      fc.property(direction, (d) => {
        fc.pre(Math.hypot(...d) > 0.01)
        const { low, high } = outlineAlong(solid, d)
        const reach = { low: Infinity, high: -Infinity }
        for (let i = 0; i < mesh.positions.length; i += 3) {
          const along = mesh.positions[i] * d[0] + mesh.positions[i + 1] * d[1] + mesh.positions[i + 2] * d[2]
          reach.low = Math.min(reach.low, along)
          reach.high = Math.max(reach.high, along)
        }
        const facets = 0.06 * Math.hypot(...d)
        expect(reach.low).toBeGreaterThanOrEqual(low - 1e-5)
        expect(reach.high).toBeLessThanOrEqual(high + 1e-5)
        expect(reach.low - low).toBeLessThan(facets)
        expect(high - reach.high).toBeLessThan(facets)
      }),
    )
  })
})

describe('outlines', () => {
  it('takes in a turn and a size through the direction', () => {
    const turn = fromTurns([0, Math.PI / 4, 0])
    const d = rotate(inverse(turn), [1, 0, 0])
    const turned = outlineAlong({ kind: 'box', width: 1, height: 1, depth: 1 }, [2 * d[0], 2 * d[1], 2 * d[2]])
    expect(turned.high - turned.low).toBeCloseTo(2 * Math.SQRT2, 12)
  })

  it('takes a mesh by its points, or by its box until it is read', () => {
    const shape = {
      kind: 'mesh',
      file: 'a'.repeat(64),
      fileName: 'x.glb',
      unit: 'm',
      low: [-1, 0, -1],
      high: [1, 2, 1],
      triangles: 1,
    } as const
    const d: Vec3 = [Math.SQRT1_2, 0, Math.SQRT1_2]
    expect(outlineAlong({ ...shape, low: [-1, 0, -1], high: [1, 2, 1] }, d).high).toBeCloseTo(Math.SQRT2, 12)
    const mesh = {
      positions: new Float32Array([1, 0, 0, 0, 0, 1, -1, 0, -1]),
      normals: new Float32Array(9),
      indices: new Uint32Array([0, 1, 2]),
      sections: [],
    }
    expect(outlineAlong({ ...shape, low: [-1, 0, -1], high: [1, 2, 1] }, d, mesh).high).toBeCloseTo(Math.SQRT1_2, 7)
  })
})

describe('sections', () => {
  it('begin where the colour of a profile changes and cover every triangle', () => {
    const mesh = buildSolid(solids[7])
    expect(mesh.sections.map((s) => s.color)).toEqual([undefined, '#aa0000', undefined])
    expect(mesh.sections.reduce((n, s) => n + s.count, 0)).toBe(3 * triangleCount(mesh))
  })
})
