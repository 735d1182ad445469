import { Document, WebIO } from '@gltf-transform/core'
import { KHRLightsPunctual } from '@gltf-transform/extensions'
import { describe, expect, it } from 'vitest'
import { bracket, bakedMesh } from '../../test/shapes'
import { Evaluator } from '../evaluate'
import type { Vec3 } from '../values/values'
import { meshKey } from '../model/part'
import { type Project, emptyProject, readProject } from '../model/project'
import { partMesh } from '../parts/partMesh'
import { type Quaternion, fromTurns } from '../geometry/rotation'
import { partsOfScene } from '../scenes/sceneParts'
import { type Mesh, volumeOf } from '../geometry/mesh'
import { composed } from '../geometry/matrix'
import { type Scene, readScene } from './scene'

const mesh = bracket()

/** A small scene: two brackets of one mesh in a group that is turned, one of them mirrored; one that leans; a line. */
async function file(change: (document: Document) => void = () => {}): Promise<Uint8Array> {
  const document = new Document()
  const buffer = document.createBuffer()
  const accessor = (array: Float32Array | Uint32Array, type: 'VEC3' | 'SCALAR') =>
    document
      .createAccessor()
      .setType(type)
      .setArray(array as Float32Array<ArrayBuffer>)
      .setBuffer(buffer)
  const red = document.createMaterial('red').setBaseColorFactor([1, 0, 0, 1])
  const shape = document
    .createMesh('Bracket')
    .addPrimitive(
      document
        .createPrimitive()
        .setAttribute('POSITION', accessor(mesh.positions, 'VEC3'))
        .setAttribute('NORMAL', accessor(mesh.normals, 'VEC3'))
        .setIndices(accessor(mesh.indices, 'SCALAR'))
        .setMaterial(red),
    )
  const line = document.createMesh('Line').addPrimitive(
    document
      .createPrimitive()
      .setMode(3)
      .setAttribute('POSITION', accessor(new Float32Array([0, 0, 0, 1, 0, 0]), 'VEC3')),
  )
  const turn = [...fromTurns([0, Math.PI / 2, 0])] as [number, number, number, number]
  const pair = document.createNode('Pair').setTranslation([1, 0, 0]).setRotation(turn)
  pair.addChild(document.createNode('Right').setMesh(shape).setTranslation([0, 0.5, 0]))
  pair.addChild(document.createNode('Left').setMesh(shape).setScale([-2, 2, 2]))
  const stretched = document.createNode('Stretched').setScale([1, 3, 1])
  stretched.addChild(
    document
      .createNode('Leaning')
      .setMesh(shape)
      .setRotation([...fromTurns([0, 0, 0.5])] as [number, number, number, number]),
  )
  const scene = document.createScene().addChild(pair).addChild(stretched)
  scene.addChild(document.createNode('Guide').setMesh(line))
  document.getRoot().setDefaultScene(scene)
  change(document)
  return new WebIO().registerExtensions([KHRLightsPunctual]).writeBinary(document)
}
async function read(bytes: Uint8Array): Promise<Scene> {
  const scene = await readScene(bytes, 'scene.glb')
  if (!scene.ok) throw new Error('not read')
  return scene.value
}
const taken = (scene: Scene, before = emptyProject('Test')): { project: Project; meshes: Map<string, Mesh> } => {
  let made = 0
  const source = { sha256: 'a'.repeat(64), name: 'scene.glb' }
  const parts = partsOfScene(scene, source, (kind) => `${kind}-${++made}`, before)
  if (!parts.ok) throw new Error('not taken')
  const meshes = new Map(
    scene.meshes.flatMap((m, i) =>
      m ? [[meshKey({ file: source.sha256, unit: scene.unit, mesh: i }), m.read.mesh] as const] : [],
    ),
  )
  return { project: { ...before, ...parts.value }, meshes }
}

describe('a scene', () => {
  it('names the meshes that are damaged, and reads the others', async () => {
    const bytes = await file((document) => {
      const buffer = document.getRoot().listBuffers()[0]
      const broken = (name: string, positions: number[], indices: number[]): void => {
        const at = document.createAccessor().setType('VEC3').setArray(new Float32Array(positions)).setBuffer(buffer)
        const by = document.createAccessor().setType('SCALAR').setArray(new Uint32Array(indices)).setBuffer(buffer)
        const shape = document
          .createMesh(name)
          .addPrimitive(document.createPrimitive().setAttribute('POSITION', at).setIndices(by))
        document.getRoot().listScenes()[0].addChild(document.createNode(name).setMesh(shape))
      }
      broken('Cracked', [0, 0, 0, 1, NaN, 0, 0, 1, 0], [0, 1, 2])
      broken('Torn', [0, 0, 0, 1, 0, 0, 0, 1, 0], [0, 1, 9])
    })
    const scene = await read(bytes)
    expect(scene.things.map((t) => t.name)).toEqual(['Right', 'Left', 'Leaning'])
    expect(scene.leftBehind).toEqual(['damaged meshes (Cracked, Torn)', 'points and lines'])
  })

  it('keeps meshes that nodes share as one, things in their groups, and says what is left behind', async () => {
    const scene = await read(await file())
    expect(scene.things.map((t) => [t.name, t.mesh, t.mirrored])).toEqual([
      ['Right', 0, false],
      ['Left', 0, true],
      ['Leaning', 2, false],
    ])
    expect(scene.groups).toEqual([{ name: 'Pair' }, { name: 'Stretched' }])
    expect(scene.leaning).toBe(1)
    expect(scene.leftBehind).toEqual(['points and lines'])
    expect(scene.meshes.map((m) => m !== undefined)).toEqual([true, false, true])
  })

  it('F6: empty nodes are spots of a placeholder, in their groups, turned and named as they are; lamps, cameras and joints are none', async () => {
    const bytes = await file((document) => {
      const [scene] = document.getRoot().listScenes()
      const places = document.createNode('Places').setTranslation([0, 2, 0])
      const turn = [...fromTurns([0, Math.PI / 2, 0])] as [number, number, number, number]
      places.addChild(document.createNode('Hook').setTranslation([1, 0, 0]).setRotation(turn))
      places.addChild(document.createNode('').setTranslation([2, 0, 0]))
      const joint = document.createNode('Joint')
      document.createSkin().addJoint(joint)
      scene.addChild(places).addChild(joint)
      scene.addChild(document.createNode('Eye').setCamera(document.createCamera('Eye')))
      const lights = document.createExtension(KHRLightsPunctual)
      scene.addChild(document.createNode('Bulb').setExtension('KHR_lights_punctual', lights.createLight('Bulb')))
    })
    const scene = await read(bytes)
    expect(scene.leftBehind).toEqual(['skins', 'cameras', 'lights', 'points and lines'])
    expect(scene.marks.map(({ name, move }) => [name, move])).toEqual([
      ['Hook', [1, 2, 0]],
      ['Place 2', [2, 2, 0]],
    ])
    const { project, meshes } = taken(scene)
    expect(readProject(JSON.parse(JSON.stringify(project))).ok).toBe(true)
    const pattern = project.patterns.find((p) => p.name === 'Places places')!
    const part = project.parts.find((p) => p.name === 'Placeholder')!
    expect(part.shape).toEqual({ kind: 'placeholder', width: 0.02, height: 0.02, depth: 0.02 })
    expect(pattern.deal).toEqual({ kind: 'inTurn', parts: [part.id] })
    const { table } = new Evaluator().evaluate(project, meshes).find((o) => o.id === pattern.id)!
    expect([table.count, table.moveOf(0), table.moveOf(1)]).toEqual([2, [1, 2, 0], [2, 2, 0]])
    expect(table.turnOf(0)[1]).toBeCloseTo(Math.SQRT1_2, 12)
    // A file of places alone can be brought in as well.
    const alone = await readScene(
      await new WebIO().writeBinary(
        (() => {
          const document = new Document()
          document.createScene().addChild(document.createNode('A')).addChild(document.createNode('B'))
          return document
        })(),
      ),
      'places.glb',
    )
    expect(alone.ok && alone.value.marks.length).toBe(2)
  })

  it('has no negative size: a mirrored thing is a copy of a twin, and every vertex stays where it was', async () => {
    const { project, meshes } = taken(await read(await file()))
    expect(project.parts.map((p) => p.shape.kind)).toEqual(['mesh', 'twin', 'mesh'])
    const valid = readProject(JSON.parse(JSON.stringify(project)))
    expect(valid.ok && valid.value).toEqual(project)
    const [pair] = new Evaluator().evaluate(project, meshes)
    const { table } = pair
    for (let k = 0; k < table.count; k++) for (let i = 0; i < 3; i++) expect(table.scale[3 * k + i]).toBeGreaterThan(0)
    const twin = partMesh(project.parts[1], { parts: project.parts, meshes })!
    expect(volumeOf(twin)).toBeGreaterThan(0)
    // What the file says: the group's turn and move over a size of −2, 2, 2.
    const m = composed([1, 0, 0], fromTurns([0, Math.PI / 2, 0]), [1, 1, 1])
    const at = (row: number): Vec3 => [...table.position.subarray(3 * row, 3 * row + 3)] as unknown as Vec3
    const q = [...table.quaternion.subarray(4, 8)] as unknown as Quaternion
    const placed = composed(at(1), q, [...table.scale.subarray(3, 6)])
    for (let v = 0; v < mesh.positions.length; v += 30) {
      const [x, y, z] = mesh.positions.subarray(v, v + 3)
      const [a, b, c] = [-2 * x, 2 * y, 2 * z]
      const t = twin.positions.subarray(v, v + 3)
      for (let r = 0; r < 3; r++) {
        const now = placed[r] * t[0] + placed[4 + r] * t[1] + placed[8 + r] * t[2] + placed[12 + r]
        expect(now).toBeCloseTo(m[r] * a + m[4 + r] * b + m[8 + r] * c + m[12 + r], 6)
      }
    }
  })

  it('takes one look over into the part, and numbers names that are taken', async () => {
    const scene = await read(await file())
    const first = taken(scene)
    expect(first.project.parts[0]).toMatchObject({
      name: 'Bracket',
      look: { color: '#ff0000' },
      shape: { looks: 'part' },
    })
    const second = taken(scene, first.project)
    expect(second.project.parts[0].name).toBe('Bracket 3')
    expect(second.project.patterns[0].name).toBe('Pair 2')
  })

  it('has as many levels as the file: a group of things is a pattern, a group of groups stays one', async () => {
    const bytes = await file((document) => {
      const scene = document.getRoot().getDefaultScene()!
      const hall = document.createNode('Hall')
      for (const node of scene.listChildren()) hall.addChild(node)
      scene.addChild(hall)
    })
    const { project } = taken(await read(bytes))
    expect(project.groups.map((g) => g.name)).toEqual(['Hall'])
    expect(project.patterns.map((p) => [p.name, p.group])).toEqual([
      ['Pair', project.groups[0].id],
      ['Stretched', project.groups[0].id],
    ])
  })

  it('in another unit comes in that much smaller, places and all', async () => {
    const bytes = await file()
    const inMm = await readScene(bytes, 'scene.glb', 'mm')
    const scene = inMm.ok ? inMm.value : undefined
    expect(scene?.things[0].move.map((n) => Math.round(n * 1e9) / 1e9)).toEqual([0.001, 0.0005, 0])
    const high = scene?.meshes[0]?.read.high[0]
    expect(high).toBeCloseTo(0.0002, 9)
  })

  it('without a triangle and without a place is refused in a sentence', async () => {
    const bytes = await file((document) => {
      for (const node of document.getRoot().listNodes()) if (node.getName() !== 'Guide') node.dispose()
    })
    const scene = await readScene(bytes, 'scene.glb')
    expect(!scene.ok && scene.problem.says[0]).toContain('holds no triangles')
  })
})

it('a mirrored bracket baked into its vertices has the same volume', () => {
  const baked = bakedMesh(mesh, { move: [0, 0, 0], turn: [0, 0, 0, 1], size: 1, mirrored: true })
  expect(volumeOf(baked)).toBeCloseTo(volumeOf(mesh), 9)
})
