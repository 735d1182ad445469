import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Vec3 } from '../values/values'
import { type Quaternion, rotate } from '../geometry/rotation'
import { buildSolid } from '../solids/build'
import type { Mesh } from '../geometry/mesh'
import { bakedMesh, bracket, shuffledMesh } from '../../test/shapes'
import { type FoldItem, foldDefaults, foldShapes, nameStem } from './fold'
import type { Similarity } from '../geometry/similarity'

const item = (mesh: Mesh, name = 'thing', more: Partial<FoldItem> = {}): FoldItem => ({
  name,
  mesh,
  scale: 1,
  kind: '',
  preference: 0,
  ...more,
})

/** The largest distance of the other's vertices from where a similarity puts the shape's. */
function worst(shape: Mesh, other: Mesh, { move, turn, size, mirrored }: Similarity): number {
  const placed: Vec3[] = []
  for (let i = 0; i < shape.positions.length; i += 3) {
    const [x, y, z] = shape.positions.subarray(i, i + 3)
    const p = rotate(turn, [(mirrored ? -x : x) * size[0], y * size[1], z * size[2]])
    placed.push([p[0] + move[0], p[1] + move[1], p[2] + move[2]])
  }
  let most = 0
  for (let i = 0; i < other.positions.length; i += 3) {
    let least = Infinity
    for (const p of placed) least = Math.min(least, Math.hypot(...p.map((n, k) => n - other.positions[i + k])))
    most = Math.max(most, least)
  }
  return most
}

const unit = fc.double({ min: -1, max: 1, noNaN: true })
const turn = fc
  .tuple(unit, unit, unit, unit)
  .filter((q) => Math.hypot(...q) > 0.1)
  .map((q) => q.map((n) => n / Math.hypot(...q)) as unknown as Quaternion)
const placing = fc.record({
  move: fc.tuple(unit, unit, unit).map((v) => v.map((n) => 2 * n) as Vec3),
  turn,
  size: fc.double({ min: 0.5, max: 2, noNaN: true }),
  mirrored: fc.boolean(),
  seed: fc.integer({ min: 1, max: 1e6 }),
})

const box = buildSolid({ kind: 'box', width: 0.2, height: 0.3, depth: 0.4 })
const shapes: [string, Mesh, boolean][] = [
  ['a bracket with a hand', bracket(), true],
  ['a box', box, false],
  ['a cube', buildSolid({ kind: 'box', width: 0.2, height: 0.2, depth: 0.2 }), false],
  ['a cylinder', buildSolid({ kind: 'cylinder', width: 0.2, height: 0.3 }, { segments: 12 }), false],
  ['a thin rod', buildSolid({ kind: 'cylinder', width: 0.004, height: 0.9 }, { segments: 9 }), false],
]

describe.each(shapes)('%s', (_, mesh, handed) => {
  it('is found again moved, turned, sized, mirrored and shuffled, every vertex within the tolerance', () => {
    fc.assert(
      fc.property(placing, (p) => {
        const other = shuffledMesh(bakedMesh(mesh, p), p.seed)
        const { groups } = foldShapes([item(mesh), item(other)], foldDefaults)
        expect(groups).toHaveLength(1)
        const [{ similarity }] = groups[0].members
        if (handed) expect(similarity.mirrored).toBe(p.mirrored)
        else expect(similarity.mirrored).toBe(false)
        expect(similarity.size[0]).toBeCloseTo(p.size, 5)
        expect(similarity.deviation).toBeLessThan(1e-5)
        expect(worst(mesh, other, similarity)).toBeLessThan(1e-5)
      }),
      { numRuns: 40 },
    )
  })
})

describe('what is not folded', () => {
  it('a vertex off by more than the tolerance, told with how far; one off by less is', () => {
    const off = (by: number): Mesh => {
      const { positions, ...rest } = bracket()
      const moved = positions.slice()
      for (let i = 0; i < moved.length; i += 3)
        if ([0, 1, 2].every((k) => positions[i + k] === positions[k])) moved[i] += by
      return { ...rest, positions: moved }
    }
    const { groups, nearMisses } = foldShapes([item(bracket()), item(off(0.001))], foldDefaults)
    expect(groups).toHaveLength(2)
    expect(nearMisses).toHaveLength(1)
    expect(nearMisses[0].fault).toBe('points')
    expect(nearMisses[0].deviation).toBeGreaterThan(0.0008)
    expect(nearMisses[0].deviation).toBeLessThan(0.0011)
    expect(foldShapes([item(bracket()), item(off(0.00005))], foldDefaults).groups).toHaveLength(1)
  })

  it('the tolerance holds at the size at which a thing stands', () => {
    const { positions, ...rest } = bracket()
    const moved = positions.map((p, i) => (i % 3 === 0 && p > 0.19 ? p + 0.00005 : p))
    expect(foldShapes([item(bracket()), item({ ...rest, positions: moved })], foldDefaults).groups).toHaveLength(1)
    const big = item({ ...rest, positions: moved }, 'big', { scale: 10 })
    expect(foldShapes([item(bracket()), big], foldDefaults).groups).toHaveLength(2)
  })

  it('what holds the same numbers is answered once, but for each kind and each size at which it is seen', () => {
    const { positions, ...rest } = bracket()
    const moved = positions.map((p, i) => (i % 3 === 0 && p > 0.19 ? p + 0.00005 : p))
    const own = (): Mesh => ({ ...rest, positions: moved.slice() })
    const items = [
      item(bracket(), 'a', { preference: 1 }),
      item(own(), 'b'),
      item(own(), 'c'),
      item(own(), 'large', { scale: 10 }),
      item(own(), 'glass', { kind: 'glass' }),
      item(own(), 'as large', { scale: 10 }),
    ]
    const { groups } = foldShapes(items, foldDefaults)
    expect(groups.map(({ reference, members }) => [reference, ...members.map((m) => m.item)])).toEqual([
      [0, 1, 2],
      [3, 5],
      [4],
    ])
    const [first, second] = groups[0].members
    expect(second.similarity).toEqual(first.similarity)
    expect(first.similarity.deviation).toBeGreaterThan(1e-5)
    expect(groups[1].members[0].similarity.deviation).toBe(0)
  })

  it('the same points joined by other triangles, and the same shape shaded otherwise', () => {
    const mesh = bracket()
    const indices = mesh.indices.slice()
    indices[0] = indices[9]
    const other = foldShapes([item(mesh), item({ ...mesh, indices })], foldDefaults)
    expect(other.groups).toHaveLength(2)
    const normals = mesh.normals.slice()
    normals.set([0.6, 0.8, 0], 0)
    const shaded = foldShapes([item(mesh), item({ ...mesh, normals })], foldDefaults)
    expect(shaded.nearMisses.map((n) => n.fault)).toEqual(['shading'])
  })

  it('other looks and other kinds', () => {
    const mesh = bracket()
    const red = { ...mesh, sections: mesh.sections.map((s) => ({ ...s, color: '#aa0000' })) }
    expect(foldShapes([item(mesh), item(red)], foldDefaults).nearMisses[0].fault).toBe('look')
    expect(foldShapes([item(mesh), item(mesh, 'b', { kind: 'glass' })], foldDefaults).groups).toHaveLength(2)
  })

  it('another picture on the same shape, as the labels of tins', () => {
    const mesh = bracket()
    const labelled = (...bytes: number[]): Mesh => ({
      ...mesh,
      uvs: new Float32Array((mesh.positions.length / 3) * 2),
      sections: mesh.sections.map((s) => ({ ...s, picture: 0 })),
      pictures: [{ mime: 'image/png', bytes: Uint8Array.from(bytes) }],
    })
    const two = foldShapes([item(labelled(1, 2, 3)), item(labelled(1, 2, 4))], foldDefaults)
    expect(two.groups).toHaveLength(2)
    expect(two.nearMisses[0].fault).toBe('look')
    expect(foldShapes([item(labelled(1, 2, 3)), item(labelled(1, 2, 3))], foldDefaults).groups).toHaveLength(1)
  })

  it('other colours at the vertices, by more than rounding; none is white', () => {
    const mesh = bracket()
    const tinted = (red: number): Mesh => {
      const colors = new Uint8Array(mesh.positions.length).fill(255)
      colors[0] = red
      return { ...mesh, colors }
    }
    expect(foldShapes([item(tinted(255)), item(tinted(200))], foldDefaults).nearMisses[0].fault).toBe('look')
    expect(foldShapes([item(mesh), item(tinted(200))], foldDefaults).groups).toHaveLength(2)
    expect(foldShapes([item(mesh), item(tinted(255)), item(tinted(254))], foldDefaults).groups).toHaveLength(1)
  })

  it('a flat face cut along its other diagonal, with another look, shading or place in its picture', () => {
    const quad = (indices: number[], more: Partial<Mesh> = {}): Mesh => ({
      positions: new Float32Array([0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0, 0.2, 0.3, 0.5]),
      normals: new Float32Array(Array.from({ length: 5 }, () => [0, 0, 1]).flat()),
      uvs: new Float32Array([0, 0, 1, 0, 1, 1, 0, 1, 0, 0]),
      // A spur, so that only one turn does.
      indices: Uint32Array.from([...indices, 0, 1, 4]),
      sections: [
        { start: 0, count: 6, picture: 0 },
        { start: 6, count: 3 },
      ],
      pictures: [{ mime: 'image/png', bytes: Uint8Array.of(1) }],
      ...more,
    })
    const [one, other] = [
      [0, 1, 2, 0, 2, 3],
      [0, 1, 3, 1, 2, 3],
    ]
    const faults = (more: Partial<Mesh>) =>
      foldShapes([item(quad(one)), item(quad(other, more))], foldDefaults).nearMisses.map((n) => n.fault)
    expect(foldShapes([item(quad(one)), item(quad(other))], foldDefaults).groups).toHaveLength(1)
    expect(faults({ uvs: new Float32Array([0, 0, 1, 0, 1, 1, 0, 0.9, 0, 0]) })).toEqual(['picture'])
    expect(
      faults({
        sections: [
          { start: 0, count: 6, picture: 0, color: '#aa0000' },
          { start: 6, count: 3 },
        ],
      }),
    ).toEqual(['look'])
    const normals = quad(one).normals.slice()
    normals.set([0.6, 0, 0.8], 9)
    expect(faults({ normals })).toEqual(['shading'])
  })

  it('24 parallel boxes of different proportions as one part, wherever they stand in the file', () => {
    const items = Array.from({ length: 24 }, (_, k) => {
      const solid = buildSolid({
        kind: 'box',
        width: 0.03 + 0.011 * k,
        height: 0.05 + 0.007 * (k % 5),
        depth: 0.2 / (k + 1),
      })
      const at: Vec3 = [0.3 * k, 0.1 * (k % 3), -0.25 * (k % 4)]
      return item(bakedMesh(solid, { move: at, turn: [0, 0, 0, 1], size: 1, mirrored: false }))
    })
    const { groups } = foldShapes(items, { ...foldDefaults, sizes: 'axes' })
    expect(groups).toHaveLength(1)
    for (const { item: i, similarity } of groups[0].members) {
      expect(similarity.turn).toEqual([0, 0, 0, 1])
      expect(worst(items[groups[0].reference].mesh, items[i].mesh, similarity)).toBeLessThan(1e-6)
    }
  })

  it('a stretched box, unless sizes along the axes are asked for; a turned one not even then', () => {
    const long = buildSolid({ kind: 'box', width: 0.2, height: 0.3, depth: 0.9 })
    expect(foldShapes([item(box), item(long)], foldDefaults).groups).toHaveLength(2)
    const [group] = foldShapes([item(box), item(long)], { ...foldDefaults, sizes: 'axes' }).groups
    expect(group.members[0].similarity.size.map((n) => Math.round(n * 1e6) / 1e6)).toEqual([1, 1, 2.25])
    const turned = bakedMesh(long, { move: [0, 0, 0], turn: [0, 0.38268343, 0, 0.92387953], size: 1, mirrored: false })
    expect(foldShapes([item(box), item(turned)], { ...foldDefaults, sizes: 'axes' }).groups).toHaveLength(2)
  })
})

describe('by name', () => {
  it('compares only things of one stem', () => {
    const two = [item(bracket(), 'Bracket 1'), item(bracket(), 'Clamp 1')]
    // One mesh that both use stays one; a mesh of its own with another name does not join it.
    const own = shuffledMesh(bracket(), 3)
    const three = [...two.slice(0, 1), item(own, 'Clamp 2'), item(own, 'bracket_007')]
    expect(foldShapes(three, { ...foldDefaults, by: 'name' }).groups.length).toBeGreaterThan(1)
    expect(foldShapes(three, foldDefaults).groups).toHaveLength(1)
  })

  it.each([
    ['Bracket 12', 'bracket'],
    ['bracket_007', 'bracket'],
    ['Bracket.003', 'bracket'],
    ['Bracket', 'bracket'],
    ['12', '12'],
  ])('the stem of %s is %s', (name, stem) => expect(nameStem(name)).toBe(stem))
})
