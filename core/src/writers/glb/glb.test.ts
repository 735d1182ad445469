import { workedScene } from '../scene'
import { Document, WebIO } from '@gltf-transform/core'
import { EXTMeshGPUInstancing, type InstancedMesh } from '@gltf-transform/extensions'
import { describe, expect, it } from 'vitest'
import { validateBytes } from 'gltf-validator'
import { aLine, aPath, aPattern, aProject, box } from '../../../test/projects'
import { meshKey } from '../../model/part'
import type { Pattern } from '../../model/pattern'
import { sentenceText } from '../../numbers/format'
import { volumeOf } from '../../geometry/mesh'
import { type WrittenGlb, writeGlb } from './write'
import type { CopyStyle } from './size'
import { readPartFile } from '../../readers/partFile'
import { MAX_PART_FILE_BYTES } from '../../readers/readMesh'

const project = aProject(
  [box('tin', 0.119), box('unused', 1)],
  aPattern(aLine(), ['tin'], { touchUps: { '3': { empty: true } }, place: { move: [0, 0.9, 0], turn: [0, 0.5, 0] } }),
  aPattern(aLine(), ['tin'], { id: 'away', name: 'Away', hidden: true }),
)

const write = async (style: CopyStyle = 'linked'): Promise<WrittenGlb> => {
  const written = await writeGlb(workedScene(project, new Map()), { style })
  if (!written.ok) throw new Error(sentenceText(written.problem.says, 'mm'))
  return written.value
}

const says = async (bytes: Uint8Array): Promise<string> => {
  const read = await readPartFile(bytes, 'thing.glb')
  return read.ok ? 'read' : sentenceText(read.problem.says, 'mm').replaceAll('\u202f', ' ')
}

/** A GLB around a JSON text, with a binary chunk if given. */
function glb(json: unknown, bin = new Uint8Array(0)): Uint8Array {
  const text = new TextEncoder().encode(typeof json === 'string' ? json : JSON.stringify(json))
  const padded = new Uint8Array(Math.ceil(text.length / 4) * 4).fill(32)
  padded.set(text)
  const total = 20 + padded.length + (bin.length ? 8 + bin.length : 0)
  const bytes = new Uint8Array(total)
  const view = new DataView(bytes.buffer)
  ;[0x46546c67, 2, total, padded.length, 0x4e4f534a].forEach((n, i) => view.setUint32(4 * i, n, true))
  bytes.set(padded, 20)
  if (bin.length) {
    view.setUint32(20 + padded.length, bin.length, true)
    view.setUint32(24 + padded.length, 0x004e4942, true)
    bytes.set(bin, 28 + padded.length)
  }
  return bytes
}

describe('writing', () => {
  it('is exact to the double, also within a hair of no move, no turn and full size', async () => {
    const touchUps: Pattern['touchUps'] = { '0': { move: [4e-6, 0, 0], turn: [0, 3e-6, 0], size: [1 + 2e-6, 1, 1] } }
    const doc = aProject([box('tin', 0.119)], aPattern(aLine(), ['tin'], { touchUps }))
    const scene = workedScene(doc, new Map())
    const written = await writeGlb(scene, { style: 'linked' })
    if (!written.ok) throw new Error('not written')
    const { json } = await new WebIO().binaryToJSON(written.value.bytes)
    const { move, turn, size } = scene.outcomes[0].expanded.placingOf(0)
    const { translation, rotation, scale } = json.nodes!.find(({ mesh }) => mesh !== undefined)!
    expect([translation, rotation, scale]).toEqual([move, turn, size])
  })

  it('writes each part once and one node for each copy that is there', async () => {
    const { bytes, report } = await write()
    expect(report).toEqual({
      style: 'linked',
      bytes: bytes.length,
      copies: 8,
      meshes: 1,
      triangles: 96,
      emptyPlaces: 1,
      movedAcross: 0,
      leftOut: 0,
      joinedCopies: 0,
      joinedMeshes: 0,
      keys: 0,
      twins: 0,
      hiddenPatterns: 1,
      hiddenCopies: 9,
      placeholders: 0,
      lights: 0,
      rounding: 0,
    })
    const root = (await new WebIO().readBinary(bytes)).getRoot()
    expect(root.listMeshes().map((m) => m.getName())).toEqual(['tin'])
    const [group] = root.listScenes()[0].listChildren()
    expect([group.getName(), group.listChildren().length]).toEqual(['Shelf tins', 8])
    expect(group.getTranslation()).toEqual([0, 0.9, 0])
    expect(group.listChildren()[1].getTranslation()[0]).toBeCloseTo(0.066 + 0.131, 12)
  })

  it('is found valid, and the validator does bite', async () => {
    const { bytes } = await write()
    const good = await validateBytes(bytes)
    expect([good.issues.numErrors, good.issues.numWarnings]).toEqual([0, 0])
    const text = new TextDecoder('latin1').decode(bytes)
    const at = text.indexOf('"max":[')
    const spoilt = bytes.slice()
    spoilt.set(new TextEncoder().encode('"max":[9'), at)
    expect((await validateBytes(spoilt)).issues.numErrors).toBeGreaterThan(0)
  })

  it('refuses an export with nothing in it', async () => {
    const nothing = await writeGlb(workedScene(aProject([]), new Map()), { style: 'linked' })
    expect(nothing.ok).toBe(false)
  })

  it('tells how far it is', async () => {
    const shares: number[] = []
    const many = aProject([box('tin', 0.1)], aPattern(aLine({ hold: ['count', 'spacing'], count: 6000 }), ['tin']))
    await writeGlb(workedScene(many, new Map()), { style: 'linked', onProgress: (share) => shares.push(share) })
    expect(shares.length).toBe(4)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    expect(shares.at(-1)).toBe(1)
  })
})

describe('writing instances', () => {
  it('is found valid, with equal counts, unit quaternions and positions within half a 32-bit step', async () => {
    const { bytes, report } = await write('instanced')
    const { issues } = await validateBytes(bytes)
    expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0])
    expect(new Set(issues.messages.map((m) => m.code))).toEqual(new Set(['UNSUPPORTED_EXTENSION', 'UNUSED_OBJECT']))
    const root = (await new WebIO().registerExtensions([EXTMeshGPUInstancing]).readBinary(bytes)).getRoot()
    const [node] = root.listNodes().filter((n) => n.getMesh())
    const placed = node.getExtension<InstancedMesh>('EXT_mesh_gpu_instancing')!
    const [t, r, s] = ['TRANSLATION', 'ROTATION', 'SCALE'].map((name) => placed.getAttribute(name)!)
    expect([t.getCount(), r.getCount(), s.getCount()]).toEqual([8, 8, 8])
    for (let i = 0; i < 8; i++) expect(Math.hypot(...r.getElement(i, []))).toBeCloseTo(1, 6)
    expect(report.rounding).toBeGreaterThan(0)
    // Half a step of a 32-bit float below 2 m.
    expect(report.rounding).toBeLessThanOrEqual(2 ** -24)
    expect(t.getElement(1, [])[0]).toBe(Math.fround(0.066 + 0.131))
  })

  it('is read back as the same solid as linked copies are', async () => {
    const volumes = []
    for (const style of ['linked', 'instanced'] as const) {
      const read = await readPartFile((await write(style)).bytes, 'tins.glb')
      volumes.push(read.ok ? volumeOf(read.value.mesh) : NaN)
    }
    expect(volumes[1]).toBeCloseTo(volumes[0], 8)
  })
})

describe('guides', () => {
  it('E12: stay out of the file unless they are asked for, and are found valid', async () => {
    const garland = aProject(
      [box('tin', 0.1)],
      aPattern(aPath({ curve: { kind: 'ellipse', width: 2, depth: 1 } }), ['tin']),
    )
    const modes = async (guides: boolean): Promise<number[]> => {
      const written = await writeGlb(workedScene(garland, new Map()), { style: 'linked', guides })
      if (!written.ok) throw new Error('not written')
      const { issues } = await validateBytes(written.value.bytes)
      expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0])
      const root = (await new WebIO().readBinary(written.value.bytes)).getRoot()
      return root.listMeshes().flatMap((mesh) => mesh.listPrimitives().map((p) => p.getMode()))
    }
    expect(await modes(false)).toEqual([4])
    expect((await modes(true)).sort()).toEqual([3, 4])
  })
})

describe('pictures', () => {
  it('come along with their coordinates and go out again', async () => {
    const document = new Document()
    const buffer = document.createBuffer()
    const accessor = (type: 'VEC2' | 'VEC3', values: number[]) =>
      document.createAccessor().setType(type).setBuffer(buffer).setArray(new Float32Array(values))
    const png = Uint8Array.from(
      atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg=='),
      (c) => c.charCodeAt(0),
    )
    const material = document
      .createMaterial()
      .setBaseColorTexture(document.createTexture().setImage(png).setMimeType('image/png'))
    const primitive = document
      .createPrimitive()
      .setAttribute('POSITION', accessor('VEC3', [0, 0, 0, 1, 0, 0, 0, 1, 0]))
      .setAttribute('TEXCOORD_0', accessor('VEC2', [0, 1, 0.25, 1, 0, 0]))
      .setMaterial(material)
    document.createScene().addChild(document.createNode().setMesh(document.createMesh().addPrimitive(primitive)))
    const read = await readPartFile(await new WebIO().writeBinary(document), 'label.glb')
    if (!read.ok) throw new Error('not read')
    const { mesh, low, high, unit } = read.value
    expect(mesh.pictures).toEqual([{ mime: 'image/png', bytes: png }])
    const shape = { kind: 'mesh' as const, file: 'a'.repeat(64), fileName: 'label.glb', unit, low, high, triangles: 1 }
    const labels = aProject(
      [{ ...box('label', 1), shape }],
      aPattern(aLine({ hold: ['count', 'spacing'], count: 2 }), ['label']),
    )
    const written = await writeGlb(workedScene(labels, new Map([[meshKey(shape), mesh]])), { style: 'linked' })
    if (!written.ok) throw new Error('not written')
    const out = (await new WebIO().readBinary(written.value.bytes)).getRoot()
    expect(out.listTextures().map((t) => [t.getMimeType(), t.getImage()])).toEqual([['image/png', png]])
    expect(Array.from(out.listMeshes()[0].listPrimitives()[0].getAttribute('TEXCOORD_0')!.getArray()!)).toEqual([
      0, 1, 0.25, 1, 0, 0,
    ])
    const { issues } = await validateBytes(written.value.bytes)
    expect([issues.numErrors, issues.numWarnings]).toEqual([0, 0])
  })
})

describe('reading', () => {
  it('reads back what was written, with places baked in and colours kept', async () => {
    const read = await readPartFile((await write()).bytes, 'tins.glb')
    if (!read.ok) throw new Error('not read')
    expect(volumeOf(read.value.mesh)).toBeCloseTo(8 * 0.119 * 0.119 * 0.15, 6)
    expect(read.value.low[1]).toBeCloseTo(0.9, 6)
    expect(new Set(read.value.mesh.sections.map((s) => s.color))).toEqual(new Set(['#3a6b5f']))
  })

  it('turns the faces of mirrored nodes outward again', async () => {
    const document = await new WebIO().readBinary((await write()).bytes)
    document
      .getRoot()
      .listNodes()
      .find((n) => n.getName() === 'Shelf tins')!
      .setScale([-1, 1, 1])
    const read = await readPartFile(await new WebIO().writeBinary(document), 'mirrored.glb')
    expect(read.ok && volumeOf(read.value.mesh)).toBeCloseTo(8 * 0.119 * 0.119 * 0.15, 6)
  })

  it('makes normals for a file that has none and takes strips apart', async () => {
    const document = new Document()
    const buffer = document.createBuffer()
    const position = document
      .createAccessor()
      .setType('VEC3')
      .setBuffer(buffer)
      .setArray(new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0, 1, 1, 0]))
    const strip = document.createPrimitive().setMode(5).setAttribute('POSITION', position)
    document.createScene().addChild(document.createNode().setMesh(document.createMesh().addPrimitive(strip)))
    const read = await readPartFile(await new WebIO().writeBinary(document), 'strip.glb')
    if (!read.ok) throw new Error('not read')
    expect(read.value.mesh.indices.length).toBe(6)
    expect(Array.from(read.value.mesh.normals.slice(0, 6))).toEqual([0, 0, 1, 0, 0, 1])
  })

  const scene = { asset: { version: '2.0' }, scene: 0, scenes: [{ nodes: [0] }] }
  it.each([
    ['empty', new Uint8Array(0), 'thing.glb is empty. Choose a GLB file with a mesh in it.'],
    [
      'a text',
      new TextEncoder().encode('solid tin'),
      'thing.glb is not a glTF file. Save it as binary glTF 2.0 (.glb) and drop it again.',
    ],
    [
      'too large',
      new Uint8Array(MAX_PART_FILE_BYTES + 1),
      'thing.glb has 65 MB; up to 64 MB can be read. Reduce it first.',
    ],
    ['cut off', glb(scene).slice(0, 30), 'thing.glb is cut off: part of the file is missing. Copy or save it again.'],
    [
      'no JSON',
      glb('{"asset":'),
      'thing.glb is damaged: its description cannot be read. Save it again from the program that made it.',
    ],
    [
      'leaning outside',
      glb({ ...scene, buffers: [{ uri: 'tin.bin', byteLength: 4 }] }),
      'thing.glb needs another file, “tin.bin”, that is not inside it. Save it as one self-contained GLB.',
    ],
    [
      'compressed',
      glb({ ...scene, extensionsRequired: ['KHR_draco_mesh_compression'] }),
      'thing.glb is packed with KHR_draco_mesh_compression, which is not read here. Save it without compression.',
    ],
    [
      'without a mesh',
      glb({ ...scene, nodes: [{}] }),
      'thing.glb holds no triangles. Choose a file with a mesh in it.',
    ],
    [
      'a loop of nodes',
      glb({ ...scene, nodes: [{ children: [1] }, { children: [0] }] }),
      'thing.glb is damaged: its things stand inside each other in a circle. Save it again from the program that made it.',
    ],
  ] as [string, Uint8Array, string][])('%s', async (_, bytes, sentence) => {
    expect(await says(bytes)).toBe(sentence)
  })

  const triangle = (indices: number[], x: number): Uint8Array => {
    const bin = new Uint8Array(44)
    new Float32Array(bin.buffer, 0, 9).set([0, 0, 0, x, 0, 0, 0, 1, 0])
    new Uint16Array(bin.buffer, 36, 3).set(indices)
    return glb(
      {
        ...scene,
        nodes: [{ mesh: 0 }],
        meshes: [{ primitives: [{ attributes: { POSITION: 0 }, indices: 1 }] }],
        buffers: [{ byteLength: 44 }],
        bufferViews: [
          { buffer: 0, byteLength: 36 },
          { buffer: 0, byteOffset: 36, byteLength: 6 },
        ],
        accessors: [
          { bufferView: 0, componentType: 5126, count: 3, type: 'VEC3', min: [0, 0, 0], max: [1, 1, 0] },
          { bufferView: 1, componentType: 5123, count: 3, type: 'SCALAR' },
        ],
      },
      bin,
    )
  }

  it('refuses corners that are not there and positions that are not numbers', async () => {
    expect(await says(triangle([0, 1, 2], 1))).toBe('read')
    expect(await says(triangle([0, 1, 7], 1))).toBe(
      'thing.glb is damaged: a triangle names a corner that is not there.',
    )
    expect(await says(triangle([0, 1, 2], NaN))).toBe('thing.glb is damaged: it holds positions that are not numbers.')
    expect(await says(triangle([0, 1, 2], Infinity))).toBe(
      'thing.glb is damaged: it holds positions that are not numbers.',
    )
  })
})
