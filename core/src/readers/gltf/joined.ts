import type { Primitive, Texture } from '@gltf-transform/core'
import type { Transform } from '@gltf-transform/extensions'
import { toGamma, toHex } from '../../colors'
import { type Matrix, cofactors, determinant } from '../../geometry/matrix'
import type { MeshPicture, Section } from '../../geometry/mesh'
import type { FileUnit } from '../../model/part'
import { type Result, refused } from '../../words'
import { finishMesh, MAX_TRIANGLES, type ReadMesh, tooManyTriangles } from '../readMesh'
import { valuesOf } from './values'

/** Makes one mesh of pieces that are placed by their matrices. */
export function joined(pieces: readonly Piece[], name: string, unit: FileUnit): Result<ReadMesh> {
  const corners = pieces.map(({ primitive }) => cornersOf(primitive))
  const triangles = corners.reduce((n, list) => n + list.length / 3, 0)
  if (triangles > MAX_TRIANGLES) return tooManyTriangles(name, triangles)
  const vertices = pieces.reduce((n, { primitive }) => n + (primitive.getAttribute('POSITION')?.getCount() ?? 0), 0)
  const positions = new Float32Array(3 * vertices)
  const normals = new Float32Array(3 * vertices)
  const uvs = new Float32Array(2 * vertices)
  const colored = pieces.some(({ primitive }) => primitive.getAttribute('COLOR_0'))
  const colors = new Uint8Array(colored ? 3 * vertices : 0).fill(255)
  const indices = new Uint32Array(3 * triangles)
  const sections: Section[] = []
  const pictures = new Pictures()
  let [vertex, index] = [0, 0]
  for (const [i, { primitive, matrix }] of pieces.entries()) {
    const position = primitive.getAttribute('POSITION')
    if (!position || corners[i].length === 0) continue
    const mirrored = determinant(matrix) < 0
    const count = position.getCount()
    const own = corners[i]
    for (let c = 0; c < own.length; c += 3) {
      const a = own[c]
      const b = own[c + 1]
      const d = own[c + 2]
      if (a >= count || b >= count || d >= count)
        return refused(`${name} is damaged: a triangle names a corner that is not there.`)
      indices[index + c] = vertex + a
      indices[index + c + 1] = vertex + (mirrored ? d : b)
      indices[index + c + 2] = vertex + (mirrored ? b : d)
    }
    place(primitive, matrix, positions, normals, vertex)
    pictures.place(primitive, uvs, vertex)
    placeColors(primitive, colors, vertex)
    sections.push({ start: index, count: corners[i].length, ...lookOf(primitive, pictures) })
    vertex += count
    index += corners[i].length
  }
  const painted = pictures.list.length > 0
  return finishMesh(
    {
      positions,
      normals,
      indices,
      sections,
      ...(painted && { uvs, pictures: pictures.list }),
      ...(colored && { colors }),
    },
    name,
    unit,
  )
}

export interface Piece {
  readonly primitive: Primitive
  readonly matrix: Matrix
}

/** The corners of a primitive's triangles, with strips and fans taken apart; none for points and lines. */
function cornersOf(primitive: Primitive): ArrayLike<number> {
  const list = primitive.getIndices()
  const count = list?.getCount() ?? primitive.getAttribute('POSITION')?.getCount() ?? 0
  const all = list ? valuesOf(list) : Uint32Array.from({ length: count }, (_, i) => i)
  const mode = primitive.getMode()
  if (mode === 4) return all.subarray(0, count - (count % 3))
  const out: number[] = []
  if (mode === 5) for (let i = 0; i + 2 < count; i++) out.push(all[i], all[i + 1 + (i % 2)], all[i + 2 - (i % 2)])
  if (mode === 6) for (let i = 1; i + 1 < count; i++) out.push(all[0], all[i], all[i + 1])
  return out
}

function place(primitive: Primitive, m: Matrix, positions: Float32Array, normals: Float32Array, first: number): void {
  const p = valuesOf(primitive.getAttribute('POSITION')!)
  const at = positions.subarray(3 * first)
  for (let i = 0; i < p.length; i += 3) {
    const x = p[i]
    const y = p[i + 1]
    const z = p[i + 2]
    for (let r = 0; r < 3; r++) at[i + r] = m[r] * x + m[4 + r] * y + m[8 + r] * z + m[12 + r]
  }
  const normal = primitive.getAttribute('NORMAL')
  if (!normal) return
  const n = cofactors(m)
  const v = valuesOf(normal)
  const standing = normals.subarray(3 * first, 3 * first + p.length)
  for (let i = 0; i < standing.length; i += 3)
    for (let r = 0; r < 3; r++) standing[i + r] = n[r] * v[i] + n[3 + r] * v[i + 1] + n[6 + r] * v[i + 2]
}

/** Writes a primitive's vertex colours, which a file keeps in linear light, as they are seen. */
function placeColors(primitive: Primitive, colors: Uint8Array, first: number): void {
  const color = primitive.getAttribute('COLOR_0')
  if (!color) return
  const all = valuesOf(color)
  const [count, size] = [color.getCount(), color.getElementSize()]
  for (let i = 0; i < count; i++)
    for (let c = 0; c < 3; c++)
      colors[3 * (first + i) + c] = Math.round(255 * toGamma(Math.min(1, Math.max(0, all[size * i + c]))))
}

/** The pictures of a file, each kept once, and where they lie on the surfaces. */
class Pictures {
  readonly list: MeshPicture[] = []
  private readonly known = new Map<Texture, number>()

  indexOf(texture: Texture): number | undefined {
    const known = this.known.get(texture)
    const bytes = texture.getImage()
    if (known !== undefined || !bytes) return known
    this.known.set(texture, this.list.length)
    this.list.push({ mime: texture.getMimeType(), bytes })
    return this.list.length - 1
  }

  /** Writes a primitive's picture coordinates, with a texture transform worked in. */
  place(primitive: Primitive, uvs: Float32Array, first: number): void {
    const info = primitive.getMaterial()?.getBaseColorTextureInfo()
    const transform = info?.getExtension<Transform>('KHR_texture_transform')
    const uv = primitive.getAttribute(`TEXCOORD_${transform?.getTexCoord() ?? info?.getTexCoord() ?? 0}`)
    if (!uv) return
    const [[ox, oy], [sx, sy], turn] = [
      transform?.getOffset() ?? [0, 0],
      transform?.getScale() ?? [1, 1],
      transform?.getRotation() ?? 0,
    ]
    const [sin, cos] = [Math.sin(turn), Math.cos(turn)]
    const all = valuesOf(uv)
    for (let i = 0; i < all.length / 2; i++) {
      const [x, y] = [all[2 * i] * sx, all[2 * i + 1] * sy]
      uvs[2 * (first + i)] = cos * x + sin * y + ox
      uvs[2 * (first + i) + 1] = -sin * x + cos * y + oy
    }
  }
}

function lookOf(primitive: Primitive, pictures: Pictures): Omit<Section, 'start' | 'count'> {
  const material = primitive.getMaterial()
  if (!material) return {}
  const texture = material.getBaseColorTexture()
  const picture = texture ? pictures.indexOf(texture) : undefined
  return {
    color: toHex(material.getBaseColorFactor()),
    roughness: material.getRoughnessFactor(),
    metal: material.getMetallicFactor(),
    ...(picture !== undefined && { picture }),
  }
}
