import type { FileUnit } from '../model/part'
import { type Result, refused } from '../words'
import { MAX_CORNERS, triangulate } from './polygon'
import { finishMesh, type ReadMesh } from './readMesh'

type Scalar = 'int8' | 'uint8' | 'int16' | 'uint16' | 'int32' | 'uint32' | 'float32' | 'float64'

const sizes: Record<Scalar, number> = {
  int8: 1,
  uint8: 1,
  int16: 2,
  uint16: 2,
  int32: 4,
  uint32: 4,
  float32: 4,
  float64: 8,
}

/** Each under its own name, and under the one that the first files gave it. */
const scalars = new Map<string, Scalar>([
  ...(Object.keys(sizes) as Scalar[]).map((n): [string, Scalar] => [n, n]),
  ['char', 'int8'],
  ['uchar', 'uint8'],
  ['short', 'int16'],
  ['ushort', 'uint16'],
  ['int', 'int32'],
  ['uint', 'uint32'],
  ['float', 'float32'],
  ['double', 'float64'],
])

interface Property {
  readonly name: string
  readonly type: Scalar
  /** Type of the count, where the property is a list. */
  readonly list?: Scalar
}
interface Element {
  readonly name: string
  readonly count: number
  readonly properties: Property[]
}

class Damaged extends Error {}

/** Reads a PLY (Turk 1994) as one part: text, little- or big-endian; positions, normals, picture coordinates, vertex colours, faces. */
export function readPly(bytes: Uint8Array, name: string, unit?: FileUnit): Result<ReadMesh> {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 64 * 1024))
  const end = /end_header[ \t]*\r?\n/.exec(head)
  if (!/^ply\s/.test(head) || !end) return refused(`${name} is not a PLY file. Save it as PLY and drop it again.`)
  try {
    const { format, elements } = readHeader(head.slice(0, end.index))
    const start = end.index + end[0].length
    const values =
      format === 'ascii'
        ? new Words(bytes.subarray(start))
        : new Binary(bytes, start, format === 'binary_little_endian')
    return finishMesh(gather(elements, values), name, unit)
  } catch (fault) {
    if (fault instanceof Damaged) return refused(`${name} is damaged: ${fault.message}. Copy or save it again.`)
    throw fault
  }
}

function readHeader(text: string): { format: string; elements: Element[] } {
  let format = ''
  const elements: Element[] = []
  for (const line of text.split(/\r?\n/)) {
    const [word, ...rest] = line.trim().split(/\s+/)
    if (word === 'format') format = rest[0]
    if (word === 'element') elements.push({ name: rest[0], count: Number(rest[1]), properties: [] })
    if (word !== 'property') continue
    const [list, type] =
      rest[0] === 'list' ? [scalars.get(rest[1]), scalars.get(rest[2])] : [undefined, scalars.get(rest[0])]
    const owner = elements.at(-1)
    if (!owner || !type || (rest[0] === 'list' && !list))
      throw new Damaged(`its header has a property that cannot be read, “${line.trim().slice(0, 40)}”`)
    owner.properties.push({ name: rest[rest.length - 1], type, ...(list && { list }) })
  }
  if (!['ascii', 'binary_little_endian', 'binary_big_endian'].includes(format))
    throw new Damaged('its header names no format that is known')
  if (elements.some((e) => !Number.isInteger(e.count) || e.count < 0))
    throw new Damaged('its header has a count that is not a number')
  return { format, elements }
}

function gather(elements: readonly Element[], values: Words | Binary) {
  const positions: number[] = []
  const normals: number[] = []
  const uvs: number[] = []
  const colors: number[] = []
  const indices: number[] = []
  for (const { name, count, properties } of elements) {
    if (properties.length === 0) continue
    values.checkRoom(count, properties)
    const has = (wanted: string): boolean => properties.some((p) => p.name === wanted)
    const uvNames = [
      ['s', 't'],
      ['u', 'v'],
      ['texture_u', 'texture_v'],
    ].find(([u]) => has(u))
    for (let i = 0; i < count; i++) {
      const row: Record<string, number> = {}
      let corners: number[] = []
      for (const property of properties) {
        if (!property.list) row[property.name] = values.next(property.type)
        else {
          const list = Array.from({ length: values.count(property.list) }, () => values.next(property.type))
          if (/^vert(ex|ices)?_ind(ex|ices)$/.test(property.name)) corners = list
        }
      }
      if (name === 'vertex') {
        positions.push(row.x, row.y, row.z)
        if (has('nx')) normals.push(row.nx, row.ny, row.nz)
        if (has('red')) colors.push(...byteColor(row, properties))
        if (uvNames) uvs.push(row[uvNames[0]], 1 - row[uvNames[1]])
      } else if (corners.length > 0) {
        if (corners.some((v) => !(v >= 0 && v < positions.length / 3)))
          throw new Damaged('a face names a corner that is not there')
        if (corners.length > MAX_CORNERS) throw new Damaged(`a face has more than ${MAX_CORNERS} corners`)
        for (const k of triangulate(corners.flatMap((v) => positions.slice(3 * v, 3 * v + 3)))) indices.push(corners[k])
      }
    }
  }
  return {
    positions: new Float32Array(positions),
    ...(normals.length > 0 && { normals: new Float32Array(normals) }),
    ...(uvs.length > 0 && { uvs: new Float32Array(uvs) }),
    ...(colors.length > 0 && { colors: new Uint8Array(colors) }),
    indices: new Uint32Array(indices),
    sections: [{ start: 0, count: indices.length }],
  }
}

/** A vertex's colour in bytes; whole numbers run to 255, others to 1. */
function byteColor(row: Record<string, number>, properties: readonly Property[]): number[] {
  const whole = !properties.find((p) => p.name === 'red')!.type.startsWith('float')
  return [row.red, row.green, row.blue].map((n) => Math.round(Math.min(255, Math.max(0, whole ? n : 255 * n))) || 0)
}

const CUT_OFF = 'the file ends before all of its elements'

/** Values of a text file, one word each. */
class Words {
  private readonly words: string[]
  private at = 0

  constructor(bytes: Uint8Array) {
    this.words = new TextDecoder('latin1').decode(bytes).split(/\s+/).filter(Boolean)
  }

  /** Refuses a count for which there are not as many words. */
  checkRoom(rows: number, properties: readonly Property[]): void {
    if (rows * properties.length > this.words.length - this.at) throw new Damaged(CUT_OFF)
  }

  next(): number {
    if (this.at >= this.words.length) throw new Damaged(CUT_OFF)
    return Number(this.words[this.at++])
  }

  count(): number {
    const n = this.next()
    if (!Number.isInteger(n) || n < 0 || n > this.words.length) throw new Damaged('a list has a length that cannot be')
    return n
  }
}

/** Values of a binary file. */
class Binary {
  private readonly view: DataView

  constructor(
    bytes: Uint8Array,
    private at: number,
    private readonly little: boolean,
  ) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  }

  /** Refuses a count for which there are not as many bytes. */
  checkRoom(rows: number, properties: readonly Property[]): void {
    const least = properties.reduce((n, { type, list }) => n + sizes[list ?? type], 0)
    if (rows * least > this.view.byteLength - this.at) throw new Damaged(CUT_OFF)
  }

  next(type: Scalar): number {
    const at = this.at
    this.at += sizes[type]
    if (this.at > this.view.byteLength) throw new Damaged(CUT_OFF)
    switch (type) {
      case 'int8':
        return this.view.getInt8(at)
      case 'uint8':
        return this.view.getUint8(at)
      case 'int16':
        return this.view.getInt16(at, this.little)
      case 'uint16':
        return this.view.getUint16(at, this.little)
      case 'int32':
        return this.view.getInt32(at, this.little)
      case 'uint32':
        return this.view.getUint32(at, this.little)
      case 'float32':
        return this.view.getFloat32(at, this.little)
      case 'float64':
        return this.view.getFloat64(at, this.little)
    }
  }

  count(type: Scalar): number {
    const n = this.next(type)
    if (n < 0 || n > this.view.byteLength) throw new Damaged('a list has a length that cannot be')
    return n
  }
}
