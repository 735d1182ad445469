import { workedScene } from '../scene'
import { WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, KHRLightsPunctual } from '@gltf-transform/extensions'
import { validateBytes } from 'gltf-validator'
import { describe, expect, it } from 'vitest'
import { arm } from '../../../test/handed'
import { evaluated } from '../../../test/placed'
import { aLine, aMirror, aPattern, aPlane, aProject, box } from '../../../test/projects'
import { Evaluator } from '../../evaluate'
import { writeGlb } from './write'
import type { SurfaceWay } from '../../values/reflection'
import type { Part } from '../../model/part'
import type { Project } from '../../model/project'
import { grainOf, guiseNumber, guiseOf } from '../../parts/guise'
import { type Quaternion, rotate } from '../../geometry/rotation'
import { fromTurns } from '../../geometry/rotation'
import type { Mesh } from '../../geometry/mesh'
import { volumeOf } from '../../geometry/mesh'
import { openEdges } from '../../../test/shapes'

const one = aLine({ hold: ['count', 'spacing'], count: 1, edges: 'centres' })
const project = (part: Part, turn: readonly [number, number, number] = [0, 0, 0], change = {}): Project =>
  aProject(
    [part],
    aPattern(one, [part.id], { id: 'right', name: 'Right', place: { move: [0.4, 0.1, 0.2], turn: [...turn] } }),
    aPattern({ ...aMirror('right', aPlane('across')), ...change }, [], { id: 'left', name: 'Left' }),
  )

async function written(document: Project, options: { style: 'linked' | 'instanced'; seams?: boolean }) {
  const result = await writeGlb(workedScene(document, new Map()), options)
  if (!result.ok) throw new Error('not written')
  const io = new WebIO().registerExtensions([EXTMeshGPUInstancing, KHRLightsPunctual])
  const root = (await io.readBinary(result.value.bytes)).getRoot()
  return { root, report: result.value.report, bytes: result.value.bytes }
}
const meshIn = (mesh: ReturnType<Awaited<ReturnType<typeof written>>['root']['listMeshes']>[number]): Mesh => {
  const [primitive] = mesh.listPrimitives()
  return {
    positions: primitive.getAttribute('POSITION')!.getArray() as Float32Array,
    normals: primitive.getAttribute('NORMAL')!.getArray() as Float32Array,
    indices: Uint32Array.from(primitive.getIndices()!.getArray()!),
    sections: [],
  }
}

describe('what leaves Hilera', () => {
  it.each(['linked', 'instanced'] as const)(
    'a twin is a mesh of its own, its faces outward, no size below 0: %s',
    async (style) => {
      const { root, report, bytes } = await written(project(arm(), [0.3, 0.5, 0.7]), { style })
      expect(report).toMatchObject({ copies: 2, meshes: 2, twins: 1 })
      expect(root.listMeshes().map((m) => m.getName())).toEqual(['arm', 'arm twin'])
      const [own, twin] = root.listMeshes().map(meshIn)
      expect(volumeOf(own)).toBeGreaterThan(0)
      expect(volumeOf(twin)).toBeCloseTo(volumeOf(own), 9)
      // Outward by the divergence theorem for the normals, too: the flux of x through the surface is the volume.
      for (const mesh of [own, twin]) {
        let flux = 0
        for (let t = 0; t < mesh.indices.length; t += 3) {
          const [a, b, c] = [0, 1, 2].map((i) => 3 * mesh.indices[t + i])
          const u = [0, 1, 2].map((k) => mesh.positions[b + k] - mesh.positions[a + k])
          const v = [0, 1, 2].map((k) => mesh.positions[c + k] - mesh.positions[a + k])
          const area = Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2
          for (const corner of [a, b, c]) flux += (area / 3) * mesh.normals[corner] * mesh.positions[corner]
        }
        expect(flux / volumeOf(mesh)).toBeCloseTo(1, 1)
      }
      for (const node of root.listNodes()) for (const n of node.getScale()) expect(n).toBeGreaterThan(0)
      const { issues } = await validateBytes(bytes)
      expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0])
    },
  )

  it('a symmetric part needs no second mesh', async () => {
    const { report } = await written(project(box('cube', 0.1), [0.3, 0.5, 0.7]), { style: 'linked' })
    expect(report).toMatchObject({ copies: 2, meshes: 1, twins: 0 })
  })

  it('copies that moved across are not written where they were, and counted', async () => {
    const { root, report } = await written(project(arm(), [0, 0, 0], { keep: 'across' }), { style: 'linked' })
    expect(report).toMatchObject({ copies: 1, movedAcross: 1, twins: 1 })
    expect(root.listMeshes()).toHaveLength(1)
  })

  it('H15: copies that touch on the plane become one closed mesh without the faces between them', async () => {
    const cube = box('cube', 0.2)
    const touching = aProject(
      [cube],
      aPattern(one, ['cube'], { id: 'right', name: 'Right', place: { move: [0.1, 0, 0], turn: [0, 0, 0] } }),
      aPattern(aMirror('right', aPlane('across')), [], { id: 'left', name: 'Left' }),
    )
    const plain = await written(touching, { style: 'linked' })
    expect(plain.report).toMatchObject({ copies: 2, joinedMeshes: 0 })
    const { root, report } = await written(touching, { style: 'linked', seams: true })
    expect(report).toMatchObject({ joinedCopies: 2, joinedMeshes: 1 })
    expect(root.listMeshes().map((m) => m.getName())).toEqual(['Right joined 1'])
    const mesh = meshIn(root.listMeshes()[0])
    expect(mesh.indices.length / 3).toBe(2 * 12 - 4)
    expect(openEdges(mesh)).toBe(0)
    expect(volumeOf(mesh)).toBeCloseTo(0.4 * 0.15 * 0.119, 8)
    // Points of one side and of the other on the seam are one: 6 faces, those along the seam with 6 corners.
    expect(mesh.positions.length / 3).toBe(4 * 6 + 2 * 4)
    // Apart from the plane nothing is joined.
    const apart = {
      ...touching,
      patterns: touching.patterns.map((p, i) =>
        i === 0 ? { ...p, place: { ...p.place, move: [0.11, 0, 0] as [number, number, number] } } : p,
      ),
    }
    expect((await written(apart, { style: 'linked', seams: true })).report.joinedMeshes).toBe(0)
  })

  it('H15: of four round a corner one mesh comes', async () => {
    const cube = box('cube', 0.2)
    const four = aProject(
      [cube],
      aPattern(one, ['cube'], { id: 'right', name: 'Right', place: { move: [0.1, 0, 0.0595], turn: [0, 0, 0] } }),
      aPattern(aMirror('right', aPlane('across'), aPlane('deep')), [], { id: 'left', name: 'Left' }),
    )
    const { root, report } = await written(four, { style: 'instanced', seams: true })
    expect(report).toMatchObject({ joinedCopies: 4, joinedMeshes: 1 })
    expect(volumeOf(meshIn(root.listMeshes()[0]))).toBeCloseTo(4 * 0.2 * 0.15 * 0.119, 8)
  })
})

describe('H13: grain', () => {
  const plank: Part = { ...arm('plank'), look: { ...arm().look, grain: { turn: 0.4, width: 0.02 } } }
  /** Which way the grain runs on both copies, in the world. */
  const ways = (surfaces: SurfaceWay, shapes: 'mirrored' | 'kept') => {
    const turn = [0.3, 0.9, -0.4] as const
    const document = project(plank, turn, { surfaces, shapes })
    const outcomes = new Evaluator().evaluate(document, new Map())
    return outcomes.map(({ expanded, frames }, i) => {
      const guise = guiseOf(guiseNumber(expanded, 0), frames)
      const { way } = grainOf(plank, guise)!
      const q = [...expanded.quaternion.subarray(0, 4)] as unknown as Quaternion
      return rotate(i === 0 ? fromTurns(turn) : fromTurns([0, 0, 0]), rotate(q, way))
    })
  }
  const along = (a: readonly number[], b: readonly number[]): number => Math.abs(a.reduce((s, n, i) => s + n * b[i], 0))

  it.each(['mirrored', 'kept'] as const)(
    'like the pages of a book it is mirrored, also where the shape is %s',
    (shapes) => {
      const [right, left] = ways('book', shapes)
      expect(along([-right[0], right[1], right[2]], left)).toBeCloseTo(1, 9)
    },
  )
  it.each(['mirrored', 'kept'] as const)(
    'continued it runs on in the same direction, where the shape is %s',
    (shapes) => {
      const [right, left] = ways('continued', shapes)
      expect(along(right, left)).toBeCloseTo(1, 9)
    },
  )
  it('turned with the copy it lies on it as on the part', () => {
    for (const shapes of ['mirrored', 'kept'] as const) {
      const document = project(plank, [0.3, 0.9, -0.4], { surfaces: 'turned', shapes })
      const { expanded, frames } = evaluated(document, 'left')
      const { way } = grainOf(plank, guiseOf(guiseNumber(expanded, 0), frames))!
      expect(along(way, [Math.cos(0.4), Math.sin(0.4), 0])).toBeCloseTo(1, 9)
    }
  })

  it('is exported as stripes by texture coordinates: across them one stripe for each width', async () => {
    const { root, report } = await written(project(plank), { style: 'linked' })
    expect(report.meshes).toBe(2)
    expect(root.listTextures()).toHaveLength(1)
    expect([...root.listTextures()[0].getImage()!.subarray(1, 4)]).toEqual([...'PNG'].map((c) => c.charCodeAt(0)))
    for (const mesh of root.listMeshes()) {
      const [primitive] = mesh.listPrimitives()
      const [p, uv] = ['POSITION', 'TEXCOORD_0'].map((name) => primitive.getAttribute(name)!.getArray()!)
      const index = primitive.getIndices()!.getArray()!
      // Within a triangle the coordinates turn lengths into stripes; the grain's direction runs along them.
      const hand = mesh.getName().endsWith('twin') ? -1 : 1
      const way = [hand * Math.cos(0.4), Math.sin(0.4), 0]
      for (let t = 0; t < index.length; t += 3) {
        const [a, b] = [index[t], index[t + 1]]
        const d = [0, 1, 2].map((k) => p[3 * b + k] - p[3 * a + k])
        const [du, dv] = [uv[2 * b] - uv[2 * a], uv[2 * b + 1] - uv[2 * a + 1]]
        expect(dv).toBeCloseTo(d.reduce((s, n, k) => s + n * way[k], 0) / 0.02, 3)
        expect(Math.abs(du)).toBeLessThanOrEqual(Math.hypot(...d) / 0.02 + 1e-3)
      }
    }
  })
})
