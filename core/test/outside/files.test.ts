import { workedScene } from '../../src/writers/scene'
import bunny from 'bunny'
import { WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, type InstancedMesh } from '@gltf-transform/extensions'
import { validateBytes } from 'gltf-validator'
import * as THREE from 'three'
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js'
import { beforeAll, describe, expect, it } from 'vitest'
import { linearOf, toGamma } from '../../src/colors'
import { writeGlb } from '../../src/writers/glb/write'
import type { CopyStyle } from '../../src/writers/glb/size'
import { type MeshShape, type Part, meshKey } from '../../src/model/part'
import type { Pattern } from '../../src/model/pattern'
import type { Mesh } from '../../src/geometry/mesh'
import { aGrid, aPattern, aProject, pitched } from '../projects'

/** The Stanford bunny, reduced (npm bunny 1.0.1, public domain), its normals from its faces. */
const theBunny: Mesh = (() => {
  const positions = new Float32Array(bunny.positions.flat())
  const indices = new Uint32Array(bunny.cells.flat())
  const geometry = new THREE.BufferGeometry()
  geometry.setAttribute('position', new THREE.BufferAttribute(positions, 3))
  geometry.setIndex(new THREE.BufferAttribute(indices, 1))
  geometry.computeVertexNormals()
  const normals = geometry.getAttribute('normal').array as Float32Array
  return { positions, normals, indices, sections: [{ start: 0, count: indices.length }] }
})()
const part: Part = {
  id: 'bunny',
  name: 'Bunny',
  shape: {
    kind: 'mesh',
    file: 'b'.repeat(64),
    fileName: 'bunny.obj',
    unit: 'm',
    low: [-4.958475, -0.003149, -3.729833],
    high: [4.94885, 9.654748, 3.810639],
    triangles: 3674,
  },
  look: { color: '#a08060', roughness: 0.8, metal: 0 },
}
const meshes = new Map([[meshKey(part.shape as MeshShape), theBunny]])
/** Twenty by twenty, 20 m apart, from the origin; each turned by its own chance. */
const four: Pattern = aPattern(aGrid({ across: pitched(20, 20), deep: pitched(20, 20) }), ['bunny'], {
  steps: [
    {
      kind: 'vary',
      id: 'v',
      what: 'turnAny',
      low: 0,
      high: 1,
      spread: 'even',
      axes: 'copy',
      seed: 17,
      share: 1,
      strength: 1,
    },
  ],
})
const written = async (style: CopyStyle): Promise<Uint8Array> => {
  const made = await writeGlb(workedScene(aProject([part], four), meshes), { style })
  if (!made.ok) throw new Error('not written')
  return made.value.bytes
}
/** Read by a program that no one here wrote: three 0.187, GLTFLoader. */
const loaded = async (bytes: Uint8Array): Promise<THREE.Group> =>
  (
    await new GLTFLoader().parseAsync(
      bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length) as ArrayBuffer,
      '',
    )
  ).scene

describe('400 bunnies', () => {
  let linked: Uint8Array
  let instanced: Uint8Array
  beforeAll(async () => {
    // The loader reads bytes through what browsers call self.
    ;(globalThis as { self?: unknown }).self ??= globalThis
    linked = await written('linked')
    instanced = await written('instanced')
  })

  it('F1: the validator (2.0.0-dev.3.10) finds no error and no warning in either way of writing', async () => {
    for (const bytes of [linked, instanced]) {
      const { issues } = await validateBytes(bytes)
      expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0])
    }
    const codes = new Set((await validateBytes(instanced)).issues.messages.map((m) => m.code))
    expect([...codes].every((c) => ['UNSUPPORTED_EXTENSION', 'UNUSED_OBJECT'].includes(c))).toBe(true)
  })

  it('F2: and it bites: with the largest POSITION changed to [1, 1, 1] it says so', async () => {
    const io = new WebIO()
    const { json, resources } = await io.writeJSON(await io.readBinary(linked))
    const position = json.meshes![0].primitives[0].attributes.POSITION
    json.accessors![position].max = [1, 1, 1]
    const [name, bin] = Object.entries(resources)[0]
    json.buffers![0].uri = `data:application/octet-stream;base64,${Buffer.from(bin).toString('base64')}`
    expect(name).toBeTruthy()
    const { issues } = await validateBytes(new TextEncoder().encode(JSON.stringify(json)))
    const codes = issues.messages.map((m) => m.code)
    expect(codes).toContain('ACCESSOR_MAX_MISMATCH')
    expect(codes).toContain('ACCESSOR_ELEMENT_OUT_OF_MAX_BOUND')
  })

  it('F3: instanced, all attributes have 400 entries of floats, turns of unit length; another reader shows all of them', async () => {
    const root = (await new WebIO().registerExtensions([EXTMeshGPUInstancing]).readBinary(instanced)).getRoot()
    expect(root.listExtensionsUsed().map((e) => e.extensionName)).toContain('EXT_mesh_gpu_instancing')
    expect(root.listMeshes()).toHaveLength(1)
    const [node] = root.listNodes().filter((n) => n.getMesh())
    const placed = node.getExtension<InstancedMesh>('EXT_mesh_gpu_instancing')!
    for (const name of ['TRANSLATION', 'ROTATION', 'SCALE']) {
      const accessor = placed.getAttribute(name)!
      expect([accessor.getCount(), accessor.getComponentType()]).toEqual([400, 5126])
      if (name !== 'ROTATION') continue
      for (let i = 0; i < 400; i++) expect(Math.abs(Math.hypot(...accessor.getElement(i, [])) - 1)).toBeLessThan(1e-6)
    }
    const found: THREE.InstancedMesh[] = []
    ;(await loaded(instanced)).traverse((o) => o instanceof THREE.InstancedMesh && found.push(o))
    expect(found).toHaveLength(1)
    expect(found[0].count).toBe(400)
    const matrix = new THREE.Matrix4()
    found[0].getMatrixAt(7, matrix)
    expect(new THREE.Vector3().setFromMatrixPosition(matrix).toArray()).toEqual([140, 0, 0])
  })

  it('linked, another reader finds 400 nodes of one geometry, each as it stands here', async () => {
    const found: THREE.Mesh[] = []
    ;(await loaded(linked)).traverse((o) => o instanceof THREE.Mesh && found.push(o))
    expect(found).toHaveLength(400)
    expect(new Set(found.map((m) => m.geometry)).size).toBe(1)
    expect(found[7].position.toArray()).toEqual([140, 0, 0])
    for (const { quaternion } of found) expect(Math.abs(quaternion.length() - 1)).toBeLessThan(1e-6)
  })

  it('4c: linked and instanced are near the sizes that gltf-transform comes to (95 884 and 61 336 bytes, without normals)', () => {
    // Ours carry normals besides (12 bytes a vertex), and turns and sizes of their own for each node.
    const normals = 12 * 1839
    expect(instanced.length - normals).toBeLessThan(1.15 * 61_336)
    expect(instanced.length).toBeLessThan(linked.length)
    expect(linked.length - normals).toBeLessThan(1.6 * 95_884)
  })

  it('F12: a kilometre out, a 32-bit place is right to 31 µm at 1e6 mm, and the report says by how much it is not', async () => {
    const far = aProject([part], {
      ...four,
      place: { move: [0, 0, 0], turn: [0, 0, 0] },
      layout: aGrid({ across: pitched(2, 999.9999), deep: pitched(1, 1) }),
    })
    const made = await writeGlb(workedScene(far, meshes), { style: 'instanced' })
    if (!made.ok) throw new Error('not written')
    // IEEE 754: between 512 and 1024 the spacing is 2⁻¹⁴, so half of it is 3.05e-5.
    expect(made.value.report.rounding).toBeGreaterThan(0)
    expect(made.value.report.rounding).toBeLessThanOrEqual(2 ** -15)
  })
})

describe('colours', () => {
  it('A2: 0x80 in linear light is 0.21586050011389923 (IEC 61966-2-1), and comes back', () => {
    expect(linearOf('#808080')[0]).toBeCloseTo(0.21586050011389923, 15)
    for (let n = 0; n < 256; n++) {
      const hex = `#${n.toString(16).padStart(2, '0').repeat(3)}`
      expect(Math.round(255 * toGamma(linearOf(hex)[0]))).toBe(n)
    }
  })
})
