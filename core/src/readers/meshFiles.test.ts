import { describe, expect, it } from 'vitest'
import { sentenceText } from '../numbers/format'
import { triangleCount, volumeOf } from '../geometry/mesh'
import { readPartFile } from './partFile'
import type { ReadMesh } from './readMesh'

const text = (words: string): Uint8Array => new TextEncoder().encode(words)
const read = async (bytes: Uint8Array, name: string, unit?: 'mm' | 'in'): Promise<ReadMesh> => {
  const result = await readPartFile(bytes, name, unit)
  if (!result.ok) throw new Error(sentenceText(result.problem.says, 'mm'))
  return result.value
}
const says = async (bytes: Uint8Array, name: string): Promise<string> => {
  const result = await readPartFile(bytes, name)
  return result.ok ? 'read' : sentenceText(result.problem.says, 'mm')
}

const corners = [
  [0, 0, 0],
  [2, 0, 0],
  [2, 3, 0],
  [0, 3, 0],
  [0, 0, 4],
  [2, 0, 4],
  [2, 3, 4],
  [0, 3, 4],
]
/** A box of 2 × 3 × 4 in six quads, faces outward. */
const quads = [
  [0, 3, 2, 1],
  [4, 5, 6, 7],
  [0, 1, 5, 4],
  [1, 2, 6, 5],
  [2, 3, 7, 6],
  [3, 0, 4, 7],
]
const boxObj = [
  ...corners.map((c) => `v ${c.join(' ')}`),
  ...quads.map((q) => `f ${q.map((v) => v + 1).join(' ')}`),
].join('\n')
const boxPly = `ply\nformat ascii 1.0\nelement vertex 8\nproperty float x\nproperty float y\nproperty float z\nelement face 6\nproperty list uchar int vertex_indices\nend_header\n${corners.map((c) => c.join(' ')).join('\n')}\n${quads.map((q) => `4 ${q.join(' ')}`).join('\n')}\n`
const facets = quads.flatMap(([a, b, c, d]) => [
  [a, b, c],
  [a, c, d],
])

function binaryStl(): Uint8Array {
  const bytes = new Uint8Array(84 + 50 * facets.length)
  const view = new DataView(bytes.buffer)
  view.setUint32(80, facets.length, true)
  for (const [t, facet] of facets.entries()) {
    for (const [k, v] of facet.entries())
      for (let i = 0; i < 3; i++) view.setFloat32(84 + 50 * t + 12 + 12 * k + 4 * i, corners[v][i], true)
  }
  return bytes
}
const asciiStl = `solid box\n${facets.map((f) => `facet normal 0 0 0\n outer loop\n${f.map((v) => `  vertex ${corners[v].join(' ')}`).join('\n')}\n endloop\nendfacet`).join('\n')}\nendsolid box\n`

function binaryPly(little: boolean): Uint8Array {
  const head = text(
    boxPly
      .slice(0, boxPly.indexOf('end_header\n') + 11)
      .replace('ascii', little ? 'binary_little_endian' : 'binary_big_endian'),
  )
  const bytes = new Uint8Array(head.length + 8 * 12 + 6 * 17)
  bytes.set(head)
  const view = new DataView(bytes.buffer)
  let at = head.length
  for (const c of corners) for (const n of c) view.setFloat32((at += 4) - 4, n, little)
  for (const q of quads) {
    view.setUint8(at++, 4)
    for (const v of q) view.setInt32((at += 4) - 4, v, little)
  }
  return bytes
}

describe('one box in every format', () => {
  it.each([
    ['box.obj', text(boxObj)],
    ['box.ply', text(boxPly)],
    ['little.ply', binaryPly(true)],
    ['big.ply', binaryPly(false)],
    ['box.stl', binaryStl()],
    ['text.stl', text(asciiStl)],
  ])('%s: twelve triangles, volume 24', async (name, bytes) => {
    const { mesh, low, high, unit } = await read(bytes, name)
    expect([triangleCount(mesh), low, high, unit]).toEqual([12, [0, 0, 0], [2, 3, 4], 'm'])
    expect(volumeOf(mesh)).toBeCloseTo(24, 10)
    for (let v = 0; v < mesh.normals.length; v += 3)
      expect(Math.hypot(...mesh.normals.slice(v, v + 3))).toBeCloseTo(1, 6)
  })
})

describe('units', () => {
  it('are told from the size, and can be said', async () => {
    const large = boxObj.replace('v 2 3 4', 'v 2 3 400')
    const { unit, high } = await read(text(large), 'large.obj')
    expect([unit, high[2]]).toEqual(['mm', 0.4])
    expect((await read(text(boxObj), 'box.obj', 'in')).high[0]).toBeCloseTo(0.0508, 12)
  })
})

describe('OBJ', () => {
  it('takes a concave polygon apart within its outline', async () => {
    // A C: 3 × 3 less a notch of 1 × 2.
    const c = [
      [0, 0],
      [3, 0],
      [3, 1],
      [1, 1],
      [1, 2],
      [3, 2],
      [3, 3],
      [0, 3],
    ]
    const { mesh } = await read(text(`${c.map(([x, y]) => `v ${x} ${y} 0`).join('\n')}\nf 1 2 3 4 5 6 7 8`), 'c.obj')
    const p = (k: number): Float32Array => mesh.positions.slice(3 * mesh.indices[k], 3 * mesh.indices[k] + 2)
    let area = 0
    for (let t = 0; t < mesh.indices.length; t += 3) {
      const [a, b, d] = [p(t), p(t + 1), p(t + 2)]
      area += ((b[0] - a[0]) * (d[1] - a[1]) - (b[1] - a[1]) * (d[0] - a[0])) / 2
    }
    expect(area).toBeCloseTo(7, 10)
    expect(mesh.normals[2]).toBe(1)
  })

  it('keeps materials apart, counts back from negative indices, reads UTF-16 and continued lines', async () => {
    const words = 'v 0 0 0\nv 1 0 0\nv 0 1 0\nusemtl paper\nf -3 -2 -1\nv 0 0 1\nusemtl ink\nf 1 2 \\\n -1\n'
    const utf16 = new Uint8Array(2 + 2 * words.length)
    utf16.set([0xff, 0xfe])
    for (let i = 0; i < words.length; i++) utf16[2 + 2 * i] = words.charCodeAt(i)
    for (const bytes of [text(words), utf16]) {
      const { mesh, high } = await read(bytes, 'two.obj')
      expect(mesh.sections).toEqual([
        { start: 0, count: 3 },
        { start: 3, count: 3 },
      ])
      expect(high).toEqual([1, 1, 1])
    }
  })
})

describe('damaged files get one sentence', () => {
  it.each([
    ['a.obj', text(''), 'a.obj is empty. Choose an OBJ file with a mesh in it.'],
    ['a.obj', text('v 0 0\n'), 'a.obj is damaged in line 1: a number is missing or cannot be read.'],
    ['a.obj', text('v 0 0 0\nf 1 2 3\n'), 'a.obj is damaged in line 2: “2” names a corner that is not there.'],
    ['a.obj', text('hello'), 'a.obj holds no triangles. Choose a file with a mesh in it.'],
    ['a.stl', binaryStl().slice(0, 300), 'a.stl is cut off: part of the file is missing. Copy or save it again.'],
    ['a.stl', text('hello'), 'a.stl is not an STL file. Save it as binary or text STL and drop it again.'],
    [
      'a.stl',
      text('solid x\nfacet\nvertex 0 0 0\nvertex 1 0 0\n'),
      'a.stl is cut off: its last facet has fewer than three corners. Copy or save it again.',
    ],
    ['a.ply', text('plx'), 'a.ply is not a PLY file. Save it as PLY and drop it again.'],
    [
      'a.ply',
      text(boxPly.slice(0, -20)),
      'a.ply is damaged: the file ends before all of its elements. Copy or save it again.',
    ],
    [
      'a.ply',
      text(boxPly.replace('4 0 3 2 1', '4 0 3 2 9')),
      'a.ply is damaged: a face names a corner that is not there. Copy or save it again.',
    ],
    ['a.txt', text('hello'), 'a.txt is not a kind of file that is read here. Choose a GLB, glTF, OBJ, STL or PLY.'],
  ])('%s %#', async (name, bytes, sentence) => {
    expect(await says(bytes, name)).toBe(sentence)
  })
})

describe('colours of vertices', () => {
  const red = (i: number): number[] => (i % 2 ? [255, 0, 0] : [10, 20, 30])

  it('come with a PLY, in bytes or from 0 to 1', async () => {
    const head = (type: string): string =>
      boxPly.replace(
        'property float z\n',
        `property float z\n${['red', 'green', 'blue'].map((c) => `property ${type} ${c}\n`).join('')}`,
      )
    const rows = (by: number): string =>
      corners.reduce(
        (ply, c, i) =>
          ply.replace(
            `\n${c.join(' ')}\n`,
            `\n${c.join(' ')} ${red(i)
              .map((n) => n / by)
              .join(' ')}\n`,
          ),
        head(by === 1 ? 'uchar' : 'float'),
      )
    for (const by of [1, 255]) {
      const { mesh } = await read(text(rows(by)), 'box.ply')
      expect([...mesh.colors!]).toEqual(corners.flatMap((_, i) => red(i)))
    }
  })

  it('come with an OBJ that has them after the places of its vertices', async () => {
    const colored = boxObj
      .split('\n')
      .map((line, i) =>
        i < 8
          ? `${line} ${red(i)
              .map((n) => n / 255)
              .join(' ')}`
          : line,
      )
      .join('\n')
    const { mesh } = await read(text(colored), 'box.obj')
    expect(mesh.colors).toHaveLength(mesh.positions.length)
    for (let v = 0; v < mesh.positions.length / 3; v++) {
      const corner = corners.findIndex((c) => c.every((n, i) => n === mesh.positions[3 * v + i]))
      expect([...mesh.colors!.slice(3 * v, 3 * v + 3)]).toEqual(red(corner))
    }
    expect((await read(text(boxObj), 'box.obj')).mesh.colors).toBeUndefined()
  })
})
