import { Document, WebIO } from '@gltf-transform/core'
import { describe, expect, it } from 'vitest'
import validator from 'gltf-validator'
import { aLine, aPattern, aProject, box } from '../../test/projects'
import { sentenceText } from '../numbers/format'
import { volumeOf } from '../solids/mesh'
import { MAX_GLB_BYTES, readGlb } from './glbRead'
import { type WrittenGlb, writeGlb } from './glbWrite'

const project = aProject(
  [box('tin', 0.119), box('unused', 1)],
  aPattern(aLine(), ['tin'], { touchUps: { '3': { empty: true } }, place: { move: [0, 0.9, 0], turn: [0, 0.5, 0] } }),
  aPattern(aLine(), ['tin'], { id: 'away', name: 'Away', hidden: true }),
)

const write = async (): Promise<WrittenGlb> => {
  const written = await writeGlb(project, new Map(), () => {})
  if (!written.ok) throw new Error(sentenceText(written.problem.says, 'mm'))
  return written.value
}

const says = async (bytes: Uint8Array): Promise<string> => {
  const read = await readGlb(bytes, 'thing.glb')
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
  it('writes each part once and one node for each copy that is there', async () => {
    const { bytes, report } = await write()
    expect(report).toEqual({ copies: 8, meshes: 1, triangles: 96, emptyPlaces: 1, hiddenPatterns: 1, hiddenCopies: 9 })
    const root = (await new WebIO().readBinary(bytes)).getRoot()
    expect(root.listMeshes().map((m) => m.getName())).toEqual(['tin'])
    const [group] = root.listScenes()[0].listChildren()
    expect([group.getName(), group.listChildren().length]).toEqual(['Shelf tins', 8])
    expect(group.getTranslation()).toEqual([0, 0.9, 0])
    expect(group.listChildren()[1].getTranslation()[0]).toBeCloseTo(0.066 + 0.131, 12)
  })

  it('is found valid, and the validator does bite', async () => {
    const { bytes } = await write()
    const good = await validator.validateBytes(bytes)
    expect([good.issues.numErrors, good.issues.numWarnings]).toEqual([0, 0])
    const text = new TextDecoder('latin1').decode(bytes)
    const at = text.indexOf('"max":[')
    const spoilt = bytes.slice()
    spoilt.set(new TextEncoder().encode('"max":[9'), at)
    expect((await validator.validateBytes(spoilt)).issues.numErrors).toBeGreaterThan(0)
  })

  it('refuses an export with nothing in it', async () => {
    const nothing = await writeGlb(aProject([]), new Map(), () => {})
    expect(nothing.ok).toBe(false)
  })

  it('tells how far it is', async () => {
    const shares: number[] = []
    const many = aProject([box('tin', 0.1)], aPattern(aLine({ hold: ['count', 'spacing'], count: 6000 }), ['tin']))
    await writeGlb(many, new Map(), (share) => shares.push(share))
    expect(shares.length).toBe(4)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    expect(shares.at(-1)).toBe(1)
  })
})

describe('reading', () => {
  it('reads back what was written, with places baked in and colours kept', async () => {
    const read = await readGlb((await write()).bytes, 'tins.glb')
    if (!read.ok) throw new Error('not read')
    expect(volumeOf(read.value.mesh)).toBeCloseTo(8 * 0.119 * 0.119 * 0.15, 6)
    expect(read.value.low[1]).toBeCloseTo(0.9, 6)
    expect(new Set(read.value.mesh.sections.map((s) => s.color))).toEqual(new Set(['#3a6b5f']))
  })

  it('turns the faces of mirrored nodes outward again', async () => {
    const document = await new WebIO().readBinary((await write()).bytes)
    document.getRoot().listNodes().find((n) => n.getName() === 'Shelf tins')!.setScale([-1, 1, 1])
    const read = await readGlb(await new WebIO().writeBinary(document), 'mirrored.glb')
    expect(read.ok && volumeOf(read.value.mesh)).toBeCloseTo(8 * 0.119 * 0.119 * 0.15, 6)
  })

  it('makes normals for a file that has none and takes strips apart', async () => {
    const document = new Document()
    const buffer = document.createBuffer()
    const position = document.createAccessor().setType('VEC3').setBuffer(buffer).setArray(new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0, 1, 1, 0]))
    const strip = document.createPrimitive().setMode(5).setAttribute('POSITION', position)
    document.createScene().addChild(document.createNode().setMesh(document.createMesh().addPrimitive(strip)))
    const read = await readGlb(await new WebIO().writeBinary(document), 'strip.glb')
    if (!read.ok) throw new Error('not read')
    expect(read.value.mesh.indices.length).toBe(6)
    expect(Array.from(read.value.mesh.normals.slice(0, 6))).toEqual([0, 0, 1, 0, 0, 1])
  })

  const scene = { asset: { version: '2.0' }, scene: 0, scenes: [{ nodes: [0] }] }
  it.each([
    ['empty', new Uint8Array(0), 'thing.glb is empty. Choose a GLB file with a mesh in it.'],
    ['a text', new TextEncoder().encode('solid tin'), 'thing.glb is not a GLB file. Save it as binary glTF 2.0 (.glb) and drop it again.'],
    ['too large', new Uint8Array(MAX_GLB_BYTES + 1), 'thing.glb has 65 MB; up to 64 MB can be read. Reduce it first.'],
    ['cut off', glb(scene).slice(0, 30), 'thing.glb is cut off: part of the file is missing. Copy or save it again.'],
    ['no JSON', glb('{"asset":'), 'thing.glb is damaged: its description cannot be read. Save it again from the program that made it.'],
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
    ['without a mesh', glb({ ...scene, nodes: [{}] }), 'thing.glb holds no triangles. Choose a file with a mesh in it.'],
    ['a loop of nodes', glb({ ...scene, nodes: [{ children: [1] }, { children: [0] }] }), 'thing.glb holds no triangles. Choose a file with a mesh in it.'],
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
        bufferViews: [{ buffer: 0, byteLength: 36 }, { buffer: 0, byteOffset: 36, byteLength: 6 }],
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
    expect(await says(triangle([0, 1, 7], 1))).toBe('thing.glb is damaged: a triangle names a corner that is not there.')
    expect(await says(triangle([0, 1, 2], NaN))).toBe('thing.glb is damaged: it holds positions that are not numbers.')
    expect(await says(triangle([0, 1, 2], Infinity))).toBe('thing.glb is damaged: it holds positions that are not numbers.')
  })
})
