import { type Document, type Node, type Primitive, WebIO } from '@gltf-transform/core'
import { KHRMeshQuantization } from '@gltf-transform/extensions'
import type { Vec3 } from '../model/values'
import type { Mesh, Section } from '../solids/mesh'
import { type Result, done, refused } from '../words'
import { toHex } from './colors'

/** The largest file that is read, in bytes. */
export const MAX_GLB_BYTES = 64 * 1024 * 1024
/** The most triangles that one part may have. */
export const MAX_TRIANGLES = 5_000_000

export interface ReadGlb {
  readonly mesh: Mesh
  readonly low: Vec3
  readonly high: Vec3
}

const GLB_MAGIC = 0x46546c67
const JSON_CHUNK = 0x4e4f534a

/**
 * Reads a binary glTF 2.0 file as one part: every triangle of its scene, placed as its nodes say, origin and metres kept.
 * Nodes that mirror have their faces turned round, so that they look outward. Colours, roughness and metal come along as
 * sections; pictures, skins and movement do not.
 *
 * @param name the file's name, for the sentences
 * @returns a sentence for what cannot be read: not a GLB, cut off, too large, leaning on other files, compressed in a way
 *   that is not read here, or without a triangle
 */
export async function readGlb(bytes: Uint8Array, name: string): Promise<Result<ReadGlb>> {
  const header = checkContainer(bytes, name)
  if (!header.ok) return header
  try {
    const io = new WebIO().registerExtensions([KHRMeshQuantization])
    return gather(await io.readBinary(bytes), name)
  } catch {
    return refused(`${name} is damaged: its contents do not fit together. Save it again from the program that made it.`)
  }
}

function checkContainer(bytes: Uint8Array, name: string): Result<void> {
  if (bytes.length === 0) return refused(`${name} is empty. Choose a GLB file with a mesh in it.`)
  if (bytes.length > MAX_GLB_BYTES) {
    return refused(`${name} has `, { count: Math.ceil(bytes.length / 2 ** 20) }, ' MB; up to ', { count: MAX_GLB_BYTES / 2 ** 20 }, ' MB can be read. Reduce it first.')
  }
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  if (bytes.length < 4 || view.getUint32(0, true) !== GLB_MAGIC) {
    return refused(`${name} is not a GLB file. Save it as binary glTF 2.0 (.glb) and drop it again.`)
  }
  const cutOff = refused(`${name} is cut off: part of the file is missing. Copy or save it again.`)
  if (bytes.length < 20 || view.getUint32(8, true) > bytes.length) return cutOff
  if (view.getUint32(4, true) !== 2) return refused(`${name} is glTF ${view.getUint32(4, true)}; only glTF 2.0 is read. Save it as glTF 2.0.`)
  const length = view.getUint32(12, true)
  if (view.getUint32(16, true) !== JSON_CHUNK || 20 + length > bytes.length) return cutOff
  let json: { buffers?: { uri?: string }[]; images?: { uri?: string }[]; extensionsRequired?: string[] }
  try {
    json = JSON.parse(new TextDecoder().decode(bytes.subarray(20, 20 + length)))
  } catch {
    return refused(`${name} is damaged: its description cannot be read. Save it again from the program that made it.`)
  }
  const outside = [...(json.buffers ?? []), ...(json.images ?? [])].find((item) => item.uri && !item.uri.startsWith('data:'))
  if (outside) {
    return refused(`${name} needs another file, “${String(outside.uri).slice(0, 60)}”, that is not inside it. Save it as one self-contained GLB.`)
  }
  const unread = (json.extensionsRequired ?? []).find((used) => used !== KHRMeshQuantization.EXTENSION_NAME && !used.startsWith('KHR_materials') && used !== 'KHR_texture_transform')
  if (unread) return refused(`${name} is packed with ${unread}, which is not read here. Save it without compression.`)
  return done(undefined)
}

type Matrix = readonly number[]

function gather(document: Document, name: string): Result<ReadGlb> {
  const root = document.getRoot()
  const scene = root.getDefaultScene() ?? root.listScenes()[0]
  const tops = scene ? scene.listChildren() : root.listNodes().filter((node) => !node.getParentNode())
  const pieces: { primitive: Primitive; matrix: Matrix }[] = []
  const seen = new Set<Node>()
  const visit = (node: Node, above: Matrix): void => {
    if (seen.has(node)) return
    seen.add(node)
    const matrix = times(above, node.getMatrix())
    for (const primitive of node.getMesh()?.listPrimitives() ?? []) pieces.push({ primitive, matrix })
    for (const child of node.listChildren()) visit(child, matrix)
  }
  for (const node of tops) visit(node, IDENTITY)

  const corners = pieces.map(({ primitive }) => cornersOf(primitive))
  const triangles = corners.reduce((n, list) => n + list.length / 3, 0)
  if (triangles === 0) return refused(`${name} holds no triangles. Choose a file with a mesh in it.`)
  if (triangles > MAX_TRIANGLES) {
    return refused(`${name} has `, { count: triangles }, ' triangles; a part can have up to ', { count: MAX_TRIANGLES }, '. Reduce the mesh first.')
  }
  const vertices = pieces.reduce((n, { primitive }) => n + (primitive.getAttribute('POSITION')?.getCount() ?? 0), 0)
  const positions = new Float32Array(3 * vertices)
  const normals = new Float32Array(3 * vertices)
  const indices = new Uint32Array(3 * triangles)
  const sections: Section[] = []
  let [vertex, index] = [0, 0]
  for (const [i, { primitive, matrix }] of pieces.entries()) {
    const position = primitive.getAttribute('POSITION')
    if (!position || corners[i].length === 0) continue
    const mirrored = determinant(matrix) < 0
    for (let c = 0; c < corners[i].length; c += 3) {
      const [a, b, d] = [corners[i][c], corners[i][c + 1], corners[i][c + 2]]
      if (Math.max(a, b, d) >= position.getCount()) return refused(`${name} is damaged: a triangle names a corner that is not there.`)
      indices[index + c] = vertex + a
      indices[index + c + 1] = vertex + (mirrored ? d : b)
      indices[index + c + 2] = vertex + (mirrored ? b : d)
    }
    place(primitive, matrix, positions, normals, vertex, indices.subarray(index, index + corners[i].length))
    sections.push({ start: index, count: corners[i].length, ...lookOf(primitive) })
    vertex += position.getCount()
    index += corners[i].length
  }
  const low: Vec3 = [Infinity, Infinity, Infinity]
  const high: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (const v of indices) {
    for (let i = 0; i < 3; i++) {
      low[i] = Math.min(low[i], positions[3 * v + i])
      high[i] = Math.max(high[i], positions[3 * v + i])
    }
  }
  if (![...low, ...high].every(Number.isFinite)) return refused(`${name} is damaged: it holds positions that are not numbers.`)
  return done({ mesh: { positions, normals, indices, sections }, low, high })
}

/** The corners of a primitive's triangles, with strips and fans taken apart; none for points and lines. */
function cornersOf(primitive: Primitive): number[] {
  const list = primitive.getIndices()
  const count = list?.getCount() ?? primitive.getAttribute('POSITION')?.getCount() ?? 0
  const corner = (i: number): number => (list ? list.getScalar(i) : i)
  const out: number[] = []
  const mode = primitive.getMode()
  if (mode === 4) for (let i = 0; i + 2 < count; i += 3) out.push(corner(i), corner(i + 1), corner(i + 2))
  if (mode === 5) for (let i = 0; i + 2 < count; i++) out.push(corner(i), corner(i + 1 + (i % 2)), corner(i + 2 - (i % 2)))
  if (mode === 6) for (let i = 1; i + 1 < count; i++) out.push(corner(0), corner(i), corner(i + 1))
  return out
}

function place(primitive: Primitive, m: Matrix, positions: Float32Array, normals: Float32Array, first: number, indices: Uint32Array): void {
  const position = primitive.getAttribute('POSITION')!
  const normal = primitive.getAttribute('NORMAL')
  const n = cofactors(m)
  const v = [0, 0, 0]
  for (let i = 0; i < position.getCount(); i++) {
    const at = 3 * (first + i)
    position.getElement(i, v)
    for (let r = 0; r < 3; r++) positions[at + r] = m[r] * v[0] + m[4 + r] * v[1] + m[8 + r] * v[2] + m[12 + r]
    if (!normal) continue
    normal.getElement(i, v)
    for (let r = 0; r < 3; r++) normals[at + r] = n[r] * v[0] + n[3 + r] * v[1] + n[6 + r] * v[2]
  }
  if (!normal) addFaceNormals(positions, normals, indices)
  for (let at = 3 * first; at < 3 * (first + position.getCount()); at += 3) {
    const length = Math.hypot(normals[at], normals[at + 1], normals[at + 2])
    if (length > 0) for (let r = 0; r < 3; r++) normals[at + r] /= length
    else normals[at + 1] = 1
  }
}

/** A file without normals: each corner gets the sum of its faces' normals, weighted by their areas. */
function addFaceNormals(p: Float32Array, normals: Float32Array, indices: Uint32Array): void {
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
    const u = [0, 1, 2].map((i) => p[b + i] - p[a + i])
    const w = [0, 1, 2].map((i) => p[c + i] - p[a + i])
    const face = [u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]]
    for (const at of [a, b, c]) for (let i = 0; i < 3; i++) normals[at + i] += face[i]
  }
}

function lookOf(primitive: Primitive): Pick<Section, 'color' | 'roughness' | 'metal'> {
  const material = primitive.getMaterial()
  if (!material) return {}
  return {
    color: toHex(material.getBaseColorFactor()),
    roughness: material.getRoughnessFactor(),
    metal: material.getMetallicFactor(),
  }
}

const IDENTITY: Matrix = [1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1, 0, 0, 0, 0, 1]

/** a·b for 4 × 4 matrices in columns. */
function times(a: Matrix, b: Matrix): Matrix {
  return Array.from({ length: 16 }, (_, i) => {
    const [row, column] = [i % 4, i - (i % 4)]
    return a[row] * b[column] + a[row + 4] * b[column + 1] + a[row + 8] * b[column + 2] + a[row + 12] * b[column + 3]
  })
}

/** The matrix that carries normals: cofactors of the upper 3 × 3, with the sign that keeps them on the outer side. */
function cofactors(m: Matrix): number[] {
  const c = [
    m[5] * m[10] - m[6] * m[9], m[6] * m[8] - m[4] * m[10], m[4] * m[9] - m[5] * m[8],
    m[2] * m[9] - m[1] * m[10], m[0] * m[10] - m[2] * m[8], m[1] * m[8] - m[0] * m[9],
    m[1] * m[6] - m[2] * m[5], m[2] * m[4] - m[0] * m[6], m[0] * m[5] - m[1] * m[4],
  ]
  const sign = Math.sign(determinant(m)) || 1
  return c.map((value) => sign * value)
}

const determinant = (m: Matrix): number =>
  m[0] * (m[5] * m[10] - m[6] * m[9]) - m[4] * (m[1] * m[10] - m[2] * m[9]) + m[8] * (m[1] * m[6] - m[2] * m[5])
