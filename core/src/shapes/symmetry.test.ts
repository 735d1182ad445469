import bunny from 'bunny'
import { describe, expect, it } from 'vitest'
import { bracket, meshFrom, minimalStandard, shuffledMesh, bakedMesh } from '../../test/shapes'
import { anyTurn } from '../steps/vary/varyRows'
import { boxMesh } from '../solids/boxes'
import { buildSolid } from '../solids/build'
import { revolve } from '../solids/revolve'
import { mergedMesh, placedMesh } from '../solids/placed'
import { symmetryOf } from './symmetry'

const normalsOf = (mesh: Parameters<typeof symmetryOf>[0]) =>
  symmetryOf(mesh).planes.map(({ normal }) => normal.map((n) => Math.round(n * 1e6) / 1e6))

/** An L pulled out deep, drawn with its corner at the origin. */
const angle = (across: number, up: number) =>
  buildSolid({
    kind: 'extrusion',
    depth: 0.05,
    curve: {
      kind: 'points',
      closed: true,
      smooth: false,
      points: [
        [0, 0, 0],
        [across, 0, 0],
        [across, 0.03, 0],
        [0.03, 0.03, 0],
        [0.03, up, 0],
        [0, up, 0],
      ],
    },
  })

describe('planes of symmetry', () => {
  it('a box with three different sides has three, wherever its pivot is', () => {
    expect(normalsOf(boxMesh(0.2, 0.3, 0.4))).toEqual([
      [1, 0, 0],
      [0, 1, 0],
      [0, 0, 1],
    ])
    const [across, up] = symmetryOf(boxMesh(0.2, 0.3, 0.4)).planes
    expect(across.distance).toBeCloseTo(0, 9)
    expect(up.distance).toBeCloseTo(0.15, 7)
    expect(normalsOf(boxMesh(0.2, 0.2, 0.2))).toHaveLength(9)
    expect(normalsOf(boxMesh(0.2, 0.3, 0.4, 0.05))).toHaveLength(3)
    expect(normalsOf(boxMesh(0.2, 0.2, 0.2, 0.05))).toHaveLength(9)
  })

  it('an L with unequal legs has its own flat one; with equal legs the one between them too', () => {
    expect(normalsOf(angle(0.2, 0.3))).toEqual([[0, 0, 1]])
    expect(normalsOf(angle(0.2, 0.2))).toEqual([
      [0, 0, 1],
      [0.707107, -0.707107, 0],
    ])
  })

  it('a helix has none, and neither have an angle iron with a stud and the bunny', () => {
    const helix = buildSolid({
      kind: 'tube',
      thickness: 0.01,
      curve: { kind: 'helix', radius: 0.1, endRadius: 0.1, height: 0.3, turns: 3 },
    })
    expect(normalsOf(helix)).toEqual([])
    expect(normalsOf(bracket())).toEqual([])
    const mesh = {
      positions: new Float32Array(bunny.positions.flat()),
      normals: new Float32Array(3 * bunny.positions.length),
      indices: new Uint32Array(bunny.cells.flat()),
      sections: [{ start: 0, count: 3 * bunny.cells.length }],
    }
    expect(normalsOf(mesh)).toEqual([])
  })

  it.each([5, 8, 12, 48])('a solid turned in %i facets has as many through its axis', (sides) => {
    const cone = revolve(
      [
        { radius: 0, height: 0 },
        { radius: 0.1, height: 0 },
        { radius: 0.05, height: 0.2 },
        { radius: 0, height: 0.2 },
      ],
      { sides },
    )
    const upright = normalsOf(cone)
    expect(upright).toHaveLength(sides)
    expect(upright.every(([, y]) => y === 0)).toBe(true)
  })

  it('does not depend on how it stands, or on the order of its vertices', () => {
    const random = minimalStandard(7)
    for (let i = 0; i < 5; i++) {
      const turn = anyTurn(random(), random(), random())
      const baked = bakedMesh(boxMesh(0.2, 0.3, 0.4), { move: [1, 2, 3], turn, size: 1.7, mirrored: false })
      expect(symmetryOf(shuffledMesh(baked, i + 1)).planes).toHaveLength(3)
    }
  })

  it('looks count: a box with one red half keeps the planes that do not change it', () => {
    const half = (x: number, color: string) => {
      const mesh = placedMesh(boxMesh(0.1, 0.3, 0.4), { move: [x, 0, 0], turn: [0, 0, 0], size: [1, 1, 1] })
      return { ...mesh, sections: [{ start: 0, count: mesh.indices.length, color }] }
    }
    const box = mergedMesh([half(-0.05, '#ff0000'), half(0.05, '#00ff00')])
    expect(normalsOf(box)).toEqual([
      [0, 1, 0],
      [0, 0, 1],
    ])
  })

  it('colours at the vertices count: a box that is darker on top keeps the planes that stand upright', () => {
    const box = boxMesh(0.2, 0.3, 0.4)
    const colors = Uint8Array.from(box.positions, (_, i) =>
      box.positions[3 * Math.floor(i / 3) + 1] > 0.01 ? 90 : 255,
    )
    expect(normalsOf({ ...box, colors })).toEqual([
      [1, 0, 0],
      [0, 0, 1],
    ])
  })

  it('a flat face may be cut along either diagonal', () => {
    const corners = [
      [0, 0, 0],
      [1, 0, 0],
      [1, 1, 0],
      [0, 1, 0],
    ]
    const sheet = meshFrom(corners, [
      [0, 1, 2],
      [0, 2, 3],
    ])
    expect(normalsOf(sheet)).toContainEqual([1, 0, 0])
  })

  it('turns onto itself: a box by half turns, a round solid by its facets', () => {
    const box = symmetryOf(boxMesh(0.2, 0.3, 0.4))
    expect(box.turnsOntoItself([0, 1, 0, 0])).toBe(true)
    expect(box.turnsOntoItself([0, Math.SQRT1_2, 0, Math.SQRT1_2])).toBe(false)
    const about = (angle: number) => [0, Math.sin(angle / 2), 0, Math.cos(angle / 2)] as const
    const tin = symmetryOf(
      revolve(
        [
          { radius: 0, height: 0 },
          { radius: 0.1, height: 0 },
          { radius: 0.1, height: 0.2 },
          { radius: 0, height: 0.2 },
        ],
        { sides: 12 },
      ),
    )
    expect(tin.turnsOntoItself(about(Math.PI / 6))).toBe(true)
    expect(tin.turnsOntoItself(about(Math.PI / 12))).toBe(false)
  })
})
