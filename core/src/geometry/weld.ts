import { boxAround, sizeOfBox } from './box'
import { type Mesh, type Section, sameColor, verticesOf } from './mesh'
import { PlaceIndex } from './placeIndex'

/** Normals that lean less than this from each other shade alike, as the cosine of their angle. */
const ALIKE = Math.cos((5 * Math.PI) / 180)

/** Vertices of a mesh by the points that they fall on. */
export interface Welded {
  /** The point of each vertex. */
  readonly pointOf: Uint32Array
  readonly count: number
  /** The first vertex of each point: it says where the point is. */
  readonly first: Uint32Array
}

/**
 * Vertices at one place as one point.
 *
 * @param positions three numbers a vertex
 * @param apart places no further apart than this are one, in the positions' unit
 * @param alike what must hold besides for two vertices to be one
 */
export function welded(
  positions: ArrayLike<number>,
  apart: number,
  alike?: (vertex: number, first: number) => boolean,
): Welded {
  const vertices = positions.length / 3
  const box = boxAround(positions)
  const extent = box ? Math.max(...sizeOfBox(box)) : 0
  // Cubes of a thousandth of the whole, so that hardly a place lies near the side of its own.
  const places = new PlaceIndex(Math.max(extent / 1000, 4 * apart, 1e-30), { expected: vertices })
  const pointOf = new Uint32Array(vertices)
  const first = new Uint32Array(vertices)
  for (let v = 0; v < vertices; v++) {
    const [x, y, z] = [positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]]
    let point = places.find(x, y, z, apart, alike && ((n) => alike(v, first[n])))
    if (point < 0) {
      point = places.add(x, y, z)
      first[point] = v
    }
    pointOf[v] = point
  }
  return { pointOf, count: places.count, first }
}

/** A mesh in which vertices of one place, shading, colour and place in their picture are one, as far apart as the tolerance. */
export function weldedMesh(mesh: Mesh, tolerance: number): Mesh {
  const { positions: p, normals: n, uvs, colors, indices } = mesh
  const same = (v: number, w: number): boolean =>
    n[3 * v] * n[3 * w] + n[3 * v + 1] * n[3 * w + 1] + n[3 * v + 2] * n[3 * w + 2] > ALIKE &&
    (!uvs || (Math.abs(uvs[2 * v] - uvs[2 * w]) < 1e-5 && Math.abs(uvs[2 * v + 1] - uvs[2 * w + 1]) < 1e-5)) &&
    sameColor(colors, v, colors, w)
  const { pointOf, count, first } = welded(p, tolerance, same)
  return { ...mesh, ...verticesOf(mesh, first.subarray(0, count)), indices: indices.map((v) => pointOf[v]) }
}

/** A mesh whose sections of one look are one section, so that they can share their points. */
export function gatheredMesh(mesh: Mesh): Mesh {
  const pictures = [...new Map((mesh.pictures ?? []).map((p) => [p.bytes, p])).values()]
  const groups = new Map<string, { look: Omit<Section, 'start' | 'count'>; corners: number[] }>()
  for (const { start, count, ...own } of mesh.sections) {
    const bytes = own.picture === undefined ? undefined : mesh.pictures?.[own.picture].bytes
    const picture = bytes && pictures.findIndex((p) => p.bytes === bytes)
    const look = { ...own, ...(picture !== undefined && { picture }) }
    const key = JSON.stringify([look.color, look.roughness, look.metal, look.picture])
    const group = groups.get(key) ?? { look, corners: [] }
    groups.set(key, group)
    for (let i = start; i < start + count; i++) group.corners.push(mesh.indices[i])
  }
  const sections: Section[] = []
  const indices: number[] = []
  for (const { look, corners } of groups.values()) {
    sections.push({ ...look, start: indices.length, count: corners.length })
    for (const v of corners) indices.push(v)
  }
  return { ...mesh, indices: Uint32Array.from(indices), sections, ...(mesh.pictures && { pictures }) }
}
