import type { FileUnit } from '../model/part'
import { type Result, refused } from '../words'
import { finishMesh, MAX_TRIANGLES, type ReadMesh, tooManyTriangles } from './readMesh'
import { textOf } from './text'

const HEADER = 84
const RECORD = 50

/**
 * Reads an STL as one part, binary or text. Corners that share a place become one vertex per facet direction, so that
 * flat sides stay flat. Normals are worked out from the corners, as many programs write none.
 */
export function readStl(bytes: Uint8Array, name: string, unit?: FileUnit): Result<ReadMesh> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const count = bytes.length >= HEADER ? view.getUint32(80, true) : -1
  if (bytes.length === HEADER + RECORD * count) return binary(view, count, name, unit)
  const start = textOf(bytes.subarray(0, 512)).trimStart().toLowerCase()
  if (start.startsWith('solid')) return ascii(textOf(bytes), name, unit)
  if (count > 0 && bytes.length < HEADER + RECORD * count)
    return refused(`${name} is cut off: part of the file is missing. Copy or save it again.`)
  // Some programs add bytes behind the facets.
  if (count > 0 && count <= MAX_TRIANGLES) return binary(view, count, name, unit)
  return refused(`${name} is not an STL file. Save it as binary or text STL and drop it again.`)
}

function binary(view: DataView, count: number, name: string, unit?: FileUnit): Result<ReadMesh> {
  if (count > MAX_TRIANGLES) return tooManyTriangles(name, count)
  const positions = new Float32Array(9 * count)
  for (let t = 0; t < count; t++) {
    for (let i = 0; i < 9; i++) positions[9 * t + i] = view.getFloat32(HEADER + RECORD * t + 12 + 4 * i, true)
  }
  return finishFacets(positions, name, unit)
}

function ascii(text: string, name: string, unit?: FileUnit): Result<ReadMesh> {
  const found: number[] = []
  // Line by line: one expression over all of it looks at every blank line again from each of them.
  for (const line of text.split(/\r\n?|\n/)) {
    const [word, x, y, z] = line.trim().split(/\s+/, 4)
    if (word.toLowerCase() === 'vertex') found.push(Number(x), Number(y), Number(z))
  }
  if (found.length % 9 !== 0)
    return refused(`${name} is cut off: its last facet has fewer than three corners. Copy or save it again.`)
  if (found.length / 9 > MAX_TRIANGLES) return tooManyTriangles(name, found.length / 9)
  return finishFacets(new Float32Array(found), name, unit)
}

function finishFacets(positions: Float32Array, name: string, unit?: FileUnit): Result<ReadMesh> {
  const indices = Uint32Array.from({ length: positions.length / 3 }, (_, i) => i)
  return finishMesh({ positions, indices, sections: [{ start: 0, count: indices.length }] }, name, unit)
}
