import { type HostileFile, type HostileKind, text } from '../case'

const ply = (head: string, body = ''): HostileFile =>
  text('thing.ply', `ply\nformat ascii 1.0\n${head}end_header\n${body}`)
const xyz = 'property float x\nproperty float y\nproperty float z\n'
const faces = 'property list uchar int vertex_indices\n'

function binaryPly(head: string): HostileFile {
  return text('thing.ply', `ply\nformat binary_little_endian 1.0\n${head}end_header\n`)
}

const ring = (count: number, line: (x: number, y: number) => string): string =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count
    return line(Math.cos(angle) * (1 + (i % 2)), Math.sin(angle) * (1 + (i % 2)))
  }).join('')

const list: readonly (() => HostileFile)[] = [
  () => ply('element nothing 1000000000000000\n'),
  () => binaryPly('element nothing 1000000000000000\n'),
  () => ply('element vertex 1000000000\n'),
  () => binaryPly('element vertex 1000000000\n'),
  () => ply(`element vertex 1000000000\n${xyz}`, '0 0 0\n'),
  () => ply(`element vertex 3\n${xyz}element face 1000000000\n`, '0 0 0\n1 0 0\n0 1 0\n'),
  () => ply(`element vertex 3\n${xyz}element face 1\n${faces}`, '0 0 0\n1 0 0\nNaN 1 0\n3 0 1 2\n'),
  () => ply(`element vertex 3\n${xyz}element face 1\n${faces}`, '0 0 0\n1 0 0\n0 1e39 0\n3 0 1 2\n'),
  () => ply(`element vertex 3\n${xyz}element face 1\n${faces}`, '0 0 0\n1 0 0\n0 1 0\n3 0 1 9\n'),
  () => ply(`element vertex 3\n${xyz}element face 1\n${faces}`, '0 0 0\n1 0 0\n0 1 0\n2000000000 0 1 2\n'),
  () =>
    ply(
      `element vertex 50000\n${xyz}element face 1\n${faces.replace('uchar', 'int')}`,
      `${ring(50_000, (x, y) => `${x} ${y} 0\n`)}50000 ${Array.from({ length: 50_000 }, (_, i) => i).join(' ')}\n`,
    ),
  () => text('thing.ply', `ply\n${'comment x\n'.repeat(200_000)}`),
  () => text('thing.ply', `ply\n${' '.repeat(500_000)}`),
  () =>
    text(
      'thing.obj',
      `${ring(50_000, (x, y) => `v ${x} ${y} 0\n`)}f ${Array.from({ length: 50_000 }, (_, i) => i + 1).join(' ')}\n`,
    ),
  () => text('thing.obj', `v 0 0 0\nv 1 0 0\nv 0 1 0\n${'f 1 2 3 '.padEnd(400_000, '1 ')}\n`),
  () => text('thing.obj', `${'v 1 2 3\n'.repeat(300_000)}${'f -1 -2 -3\n'.repeat(100_000)}`),
  () => text('thing.obj', 'v 1e39 0 0\nv 0 0 0\nv 0 1 0\nf 1 2 3\n'),
  () => text('thing.obj', 'v NaN 0 0\nv 0 0 0\nv 0 1 0\nf 1 2 3\n'),
  () => text('thing.obj', 'v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 99\n'),
  () => text('thing.obj', `v 0 0 0\\\n${'\\\n'.repeat(200_000)}`),
  () => text('thing.obj', `${' '.repeat(400_000)}x`),
  () => text('thing.obj', `v ${'1'.repeat(400_000)} 0 0\nv 0 0 0\nv 0 1 0\nf 1 2 3\n`),
  () => text('thing.stl', `solid x\n${'\n'.repeat(200_000)}`),
  () => text('thing.stl', `solid x\n${' \n\t'.repeat(200_000)}vertex`),
  () =>
    text(
      'thing.stl',
      `solid x\n${'facet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 1 0 0\nvertex 0 1e39 0\n'.repeat(3)}`,
    ),
  () => text('thing.stl', `solid x\nvertex ${' '.repeat(400_000)}`),
  () => {
    const bytes = new Uint8Array(84)
    new DataView(bytes.buffer).setUint32(80, 0xffffffff, true)
    return { name: 'thing.stl', bytes }
  },
  () => {
    const bytes = new Uint8Array(84 + 50).fill(0xff)
    new DataView(bytes.buffer).setUint32(80, 1, true)
    return { name: 'thing.stl', bytes }
  },
]

export const meshFaults: HostileKind = {
  name: 'OBJ, PLY, STL, faults one by one',
  count: list.length,
  make: (_, number) => list[number](),
}
