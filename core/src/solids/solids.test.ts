import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Part, meshKey } from '../model/part'
import type { Solid } from './schema'
import type { Vec3 } from '../values/values'
import { fromTurns, inverse, rotate } from '../geometry/rotation'
import { buildSolid } from './build'
import { triangleCount, volumeOf } from '../geometry/mesh'
import { openEdges } from '../../test/shapes'
import { boundsOfPart, supportOfPart } from '../parts/support'
import { outlineOf } from './outline'

const solids: Solid[] = [
  { kind: 'box', width: 2, height: 3, depth: 4 },
  { kind: 'roundedBox', width: 2, height: 3, depth: 4, radius: 0.4 },
  { kind: 'cylinder', width: 2, height: 2 },
  { kind: 'cone', width: 2, top: 0.5, height: 3 },
  { kind: 'cone', width: 2, top: 0, height: 3 },
  { kind: 'sphere', width: 2 },
  { kind: 'torus', width: 8, thickness: 2 },
  { kind: 'capsule', width: 2, height: 5 },
  { kind: 'capsule', width: 3, height: 1 },
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
/** Two squares, one in the other: a frame. */
const square = (size: number) => ({
  start: [-size, 0, 0] as Vec3,
  pieces: [
    [0, -size],
    [size, 0],
    [0, size],
    [-size, 0],
  ].map(([x, y]): [Vec3, Vec3, Vec3] => [
    [x, y, 0],
    [x, y, 0],
    [x, y, 0],
  ]),
  closed: true,
})
solids.push(
  { kind: 'extrusion', depth: 0.5, curve: { kind: 'bezier', runs: [square(2), square(1)], from: { kind: 'hand' } } },
  { kind: 'extrusion', depth: 1, curve: { kind: 'ellipse', width: 3, depth: 2 } },
)
const tubes: Solid[] = [
  { kind: 'tube', thickness: 0.2, curve: { kind: 'arc', radius: 1, start: 0, angle: 2 * Math.PI } },
  {
    kind: 'tube',
    thickness: 0.2,
    curve: {
      kind: 'points',
      smooth: false,
      closed: false,
      points: [
        [0, 0, 0],
        [1, 0, 0],
        [1, 1, 0],
      ],
    },
  },
  { kind: 'tube', thickness: 0.2, curve: { kind: 'helix', radius: 1, endRadius: 1, height: 2, turns: 5 } },
]
const named = solids.map((s) => [s.kind, s] as const)

const none = { parts: [], meshes: new Map() }
const partOf = (shape: Solid): Part => ({
  id: 'p',
  name: 'P',
  shape,
  look: { color: '#3a6b5f', roughness: 0.6, metal: 0 },
})

it.each(tubes)('a tube is closed, faces outward and has the volume of its section times its way: %#', (tube) => {
  const mesh = buildSolid(tube)
  expect(openEdges(mesh)).toBe(0)
  // 16 sides: a regular polygon of radius 0.1.
  const section = 8 * 0.01 * Math.sin(Math.PI / 8)
  const way = [2 * Math.PI, 2, 5 * Math.hypot(2 * Math.PI, 0.4)][tubes.indexOf(tube)]
  expect(volumeOf(mesh) / (section * way)).toBeCloseTo(1, 1)
})

it('a frame of two squares has the volume of the one less the other', () => {
  expect(volumeOf(buildSolid(solids.find((s) => s.kind === 'extrusion')!))).toBeCloseTo((8 - 2) * 0.5, 6)
})

describe('forms', () => {
  const bar: Solid = { kind: 'box', width: 0.2, height: 2, depth: 0.3 }

  it('a taper to half makes the top half as wide and keeps the base', () => {
    const mesh = buildSolid(bar, { taper: 0.5 })
    const widths = [0, 2].map((y) => {
      const xs = [...mesh.positions].filter((_, i) => i % 3 === 0 && Math.abs(mesh.positions[i + 1] - y) < 1e-6)
      return Math.max(...xs) - Math.min(...xs)
    })
    expect(widths[0]).toBeCloseTo(0.2, 6)
    expect(widths[1]).toBeCloseTo(0.1, 6)
    // A frustum: h/3 (A + B + √AB).
    expect(volumeOf(mesh)).toBeCloseTo((2 / 3) * (0.06 + 0.015 + 0.03), 6)
  })

  it('a bend keeps the length along the middle, the volume and closed faces', () => {
    const bent = buildSolid(bar, { bend: Math.PI / 2 })
    expect(openEdges(bent)).toBe(0)
    expect(volumeOf(bent)).toBeCloseTo(0.2 * 0.3 * 2, 3)
    // A quarter turn of length 2 has a radius of 4/π: the top stands that far to the right, and looks to the right.
    const [top] = [...bent.positions].filter((_, i) => i % 3 === 0).sort((a, b) => b - a)
    expect(top).toBeCloseTo(4 / Math.PI, 6)
  })

  it('a twist turns the top against the base, keeps the volume, and its normals stay square to the surface', () => {
    const mesh = buildSolid(bar, { twist: Math.PI / 3, segments: 48 })
    expect(openEdges(mesh)).toBe(0)
    expect(volumeOf(mesh)).toBeCloseTo(0.2 * 0.3 * 2, 3)
    const { positions: p, normals: n, indices } = mesh
    // Counter-clockwise from above: the corner at the right in front goes to the back.
    const tops = Array.from({ length: p.length / 3 }, (_, i) => i).filter((i) => Math.abs(p[3 * i + 1] - 2) < 1e-6)
    const angle = Math.atan2(-0.15, 0.1) + Math.PI / 3
    const reach = Math.hypot(0.1, 0.15)
    const near = (i: number) => Math.hypot(p[3 * i] - reach * Math.cos(angle), p[3 * i + 2] + reach * Math.sin(angle))
    expect(Math.min(...tops.map(near))).toBeLessThan(1e-6)
    for (let t = 0; t < indices.length; t += 3) {
      const [a, b, c] = [0, 1, 2].map((i) => 3 * indices[t + i])
      const u = [0, 1, 2].map((k) => p[b + k] - p[a + k])
      const v = [0, 1, 2].map((k) => p[c + k] - p[a + k])
      const face = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
      const along = [0, 1, 2].reduce((s, k) => s + face[k] * n[a + k], 0) / Math.hypot(...face)
      // Faces are as wide as the bar: at its corners they lean as far as half of its twist there.
      expect(along).toBeGreaterThan(0.985)
    }
  })

  it('fewer sides leave fewer triangles', () => {
    const sides = (segments: number): number =>
      triangleCount(buildSolid({ kind: 'cylinder', width: 1, height: 1 }, { segments }))
    expect(sides(6)).toBe(24)
    expect(sides(12)).toBe(48)
  })
})

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
    const { low } = boundsOfPart(partOf(solid), none)
    expect(low[1]).toBeCloseTo(0, 12)
  })

  it('has an outline that holds its mesh and is reached by it within the facets', () => {
    const direction = fc.tuple(
      ...[0, 1, 2].map(() => fc.double({ min: -1, max: 1, noNaN: true })),
    ) as fc.Arbitrary<Vec3>
    fc.assert(
      fc.property(direction, (d) => {
        fc.pre(Math.hypot(...d) > 0.01)
        const { low, high } = outlineOf(solid)(d)
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
    const turned = outlineOf({ kind: 'box', width: 1, height: 1, depth: 1 })([2 * d[0], 2 * d[1], 2 * d[2]])
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
    const part: Part = { ...partOf(solids[0]), shape: { ...shape, low: [-1, 0, -1], high: [1, 2, 1] } }
    expect(supportOfPart(part, none)(d).high).toBeCloseTo(Math.SQRT2, 12)
    const mesh = {
      positions: new Float32Array([1, 0, 0, 0, 0, 1, -1, 0, -1]),
      normals: new Float32Array(9),
      indices: new Uint32Array([0, 1, 2]),
      sections: [],
    }
    const meshes = new Map([[meshKey(shape), mesh]])
    expect(supportOfPart(part, { parts: [], meshes })(d).high).toBeCloseTo(Math.SQRT1_2, 7)
  })
})

describe('sections', () => {
  it('begin where the colour of a profile changes and cover every triangle', () => {
    const mesh = buildSolid(solids.find((s) => s.kind === 'lathe')!)
    expect(mesh.sections.map((s) => s.color)).toEqual([undefined, '#aa0000', undefined])
    expect(mesh.sections.reduce((n, s) => n + s.count, 0)).toBe(3 * triangleCount(mesh))
  })
})
