import type { FileUnit } from '../model/part'
import type { Vec3 } from '../values/values'
import type { Mesh, MeshPicture, Section } from '../geometry/mesh'
import { type Result, done, refused } from '../words'

/** The largest mesh file that is read, in bytes. */
export const MAX_PART_FILE_BYTES = 64 * 1024 * 1024
/** The most triangles that one part may have. */
export const MAX_TRIANGLES = 5_000_000

/** What a mesh file came out as: one part, origin kept, in metres. */
export interface ReadMesh {
  readonly mesh: Mesh
  readonly low: Vec3
  readonly high: Vec3
  /** What 1 in the file was taken for. */
  readonly unit: FileUnit
}

/** Triangles on the way in, before they are checked. */
export interface RawMesh {
  readonly positions: Float32Array
  /** Absent, or zero where a vertex has none: worked out from the faces. */
  readonly normals?: Float32Array
  readonly uvs?: Float32Array
  readonly indices: Uint32Array
  readonly sections: readonly Section[]
  readonly pictures?: readonly MeshPicture[]
  readonly colors?: Uint8Array
}

/** How many metres 1 stands for. */
export const metresPer: Record<FileUnit, number> = { mm: 0.001, cm: 0.01, m: 1, in: 0.0254, ft: 0.3048 }

/** Nothing of a part lies further from its origin, in metres: places in a file are only so exact. */
const FARTHEST = 1_000_000

/** Files without a unit are taken for metres while that gives a thing of up to this size, else for millimetres. */
const LARGEST_IN_METRES = 20

export const tooManyTriangles = (name: string, triangles: number) =>
  refused(
    `${name} has `,
    { count: triangles },
    ' triangles; a part can have up to ',
    { count: MAX_TRIANGLES },
    '. Reduce the mesh first.',
  )

/**
 * Checks triangles that were read and makes a part's mesh of them: brought to metres, unit normals on every vertex.
 *
 * @param name the file's name, for the sentences
 * @param unit what 1 in the file stands for; left out, it is told from the size
 */
export function finishMesh(raw: RawMesh, name: string, unit?: FileUnit): Result<ReadMesh> {
  const { indices, sections } = raw
  if (indices.length === 0) return refused(`${name} holds no triangles. Choose a file with a mesh in it.`)
  if (indices.length / 3 > MAX_TRIANGLES) return tooManyTriangles(name, indices.length / 3)
  const vertices = raw.positions.length / 3
  const named = new Uint8Array(vertices)
  for (let i = 0; i < indices.length; i++) {
    if (indices[i] >= vertices) return refused(`${name} is damaged: a triangle names a corner that is not there.`)
    named[indices[i]] = 1
  }
  const low: Vec3 = [Infinity, Infinity, Infinity]
  const high: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (let v = 0; v < vertices; v++) {
    if (!named[v]) continue
    for (let i = 0; i < 3; i++) {
      const at = raw.positions[3 * v + i]
      // A comparison would pass over what is not a number.
      if (!Number.isFinite(at)) return refused(`${name} is damaged: it holds positions that are not numbers.`)
      if (at < low[i]) low[i] = at
      if (at > high[i]) high[i] = at
    }
  }
  const size = Math.max(...high.map((h, i) => h - low[i]))
  const taken = unit ?? (size > LARGEST_IN_METRES ? 'mm' : 'm')
  const by = metresPer[taken]
  if (Math.max(...low.map(Math.abs), ...high.map(Math.abs)) * by > FARTHEST)
    return refused(
      `${name} reaches further than `,
      { length: FARTHEST },
      '. Check the unit, or save it nearer to its origin.',
    )
  const scaled = (v: Vec3): Vec3 => v.map((n) => n * by) as Vec3
  // Corners that no triangle names may be anything: they are not looked at, and written as nothing.
  const positions = raw.positions.map((n) => (Number.isFinite(n) ? n * by : 0))
  const normals = unitNormals(positions, raw.normals, indices)
  const mesh: Mesh = {
    positions,
    normals,
    indices,
    sections,
    ...(raw.uvs && { uvs: raw.uvs.map((n) => (Number.isFinite(n) ? n : 0)) }),
    ...(raw.pictures && { pictures: raw.pictures }),
    ...(raw.colors && { colors: raw.colors }),
  }
  return done({ mesh, low: scaled(low), high: scaled(high), unit: taken })
}

/** Normals of length 1; a vertex without one gets the sum of its faces' normals, weighted by their areas. */
function unitNormals(p: Float32Array, given: Float32Array | undefined, indices: Uint32Array): Float32Array {
  const normals = given ?? new Float32Array(p.length)
  const missing = new Uint8Array(p.length / 3)
  let any = false
  for (let v = 0; v < missing.length; v++) {
    const x = normals[3 * v]
    const y = normals[3 * v + 1]
    const z = normals[3 * v + 2]
    // Not Math.hypot, which takes ten times as long: normals are far from where squares run out of digits, or are made anew.
    const length = Math.sqrt(x * x + y * y + z * z)
    if (length > 0 && Number.isFinite(length)) {
      normals[3 * v] = x / length
      normals[3 * v + 1] = y / length
      normals[3 * v + 2] = z / length
    } else {
      missing[v] = 1
      any = true
      normals.fill(0, 3 * v, 3 * v + 3)
    }
  }
  if (!any) return normals
  for (let t = 0; t < indices.length; t += 3) {
    const corners = [indices[t], indices[t + 1], indices[t + 2]]
    if (corners.every((v) => !missing[v])) continue
    const [a, b, c] = corners.map((v) => 3 * v)
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [wx, wy, wz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    for (const v of corners) {
      if (!missing[v]) continue
      normals[3 * v] += uy * wz - uz * wy
      normals[3 * v + 1] += uz * wx - ux * wz
      normals[3 * v + 2] += ux * wy - uy * wx
    }
  }
  for (let v = 0; v < missing.length; v++) {
    if (!missing[v]) continue
    const length = Math.hypot(normals[3 * v], normals[3 * v + 1], normals[3 * v + 2])
    if (length > 0 && Number.isFinite(length)) for (let i = 0; i < 3; i++) normals[3 * v + i] /= length
    else normals.set([0, 1, 0], 3 * v)
  }
  return normals
}
