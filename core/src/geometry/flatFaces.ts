import type { Mesh } from './mesh'
import { type Face, areaVector } from './faces'
import { type Vec3, dot } from './vec'
import { welded } from './weld'

/** Vertices nearer than this are one, in metres. */
const APART = 1e-7
/** Triangles whose normals lean less than this from each other lie in one flat face. */
const FLAT = 1 - 1e-8
/** A face is one to speak of from this share of the surface on; the facets of something round are smaller. */
const LEAST = 0.02

/**
 * The flat faces of a mesh: connected triangles that lie in one plane.
 *
 * @returns the centroid of the face in which a triangle lies, in the mesh's axes; undefined for what is no face to speak of, as a facet
 *   of something round
 */
export function flatFaces({
  positions: p,
  indices,
}: Pick<Mesh, 'positions' | 'indices'>): (triangle: number) => Vec3 | undefined {
  const { pointOf, count, first } = welded(p, APART)
  const places = Array.from(first.subarray(0, count), (v): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]])
  const faces = Array.from({ length: indices.length / 3 }, (_, t): Face => [
    pointOf[indices[3 * t]],
    pointOf[indices[3 * t + 1]],
    pointOf[indices[3 * t + 2]],
  ])
  const areas = faces.map((face) => areaVector(places, face))
  const sizes = areas.map((area) => Math.sqrt(dot(area, area)))
  const all = sizes.reduce((sum, size) => sum + size, 0)
  const at = places.map((): number[] => [])
  for (const [t, face] of faces.entries()) if (sizes[t] > 0) for (const v of face) at[v].push(t)
  const known = new Map<number, Vec3 | undefined>()

  /** The triangles of one flat face, by going from one to those beside it. */
  function faceOf(triangle: number): Set<number> {
    const found = new Set([triangle])
    for (const t of found)
      for (const v of faces[t])
        for (const other of at[v])
          if (dot(areas[other], areas[triangle]) > FLAT * sizes[other] * sizes[triangle]) found.add(other)
    return found
  }

  return (triangle) => {
    if (known.has(triangle)) return known.get(triangle)
    if (!sizes[triangle]) return undefined
    const face = faceOf(triangle)
    let size = 0
    const sum: Vec3 = [0, 0, 0]
    for (const t of face) {
      size += sizes[t]
      for (let i = 0; i < 3; i++)
        sum[i] += (sizes[t] * (places[faces[t][0]][i] + places[faces[t][1]][i] + places[faces[t][2]][i])) / 3
    }
    const middle = size < LEAST * all ? undefined : (sum.map((n) => n / size) as Vec3)
    for (const t of face) known.set(t, middle)
    return middle
  }
}
