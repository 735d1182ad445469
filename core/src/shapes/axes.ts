import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'
import { type Cloud, cloudOf } from './cloud'
import { boxAround, sizeOfBox } from '../geometry/box'
import type { Similarity } from '../geometry/similarity'
import { ComparedShape } from './match'

/**
 * Whether a shape is another one stretched along their common axes: both are brought to a box of one size and must then be
 * the same without any turn. Only the meshes' own axes are tried; with free axes every box would be one part.
 *
 * @param tolerance in metres, at the other's size
 */
export function matchByAxes(cloud: Cloud, other: Cloud, tolerance: number): Similarity | undefined {
  if (cloud.count !== other.count || cloud.mesh.indices.length !== other.mesh.indices.length) return undefined
  const [a, b] = [boxAround(cloud.mesh.positions), boxAround(other.mesh.positions)]
  if (!a || !b) return undefined
  const [from, to] = [sizeOfBox(a), sizeOfBox(b)]
  const size = [0, 1, 2].map((k) => (from[k] > 1e-12 && to[k] > 1e-12 ? to[k] / from[k] : 1)) as Vec3
  const stretched = cloudOf(sized(cloud.mesh, size))
  const found = new ComparedShape(stretched).matchUnturned(other, tolerance)
  if (found.kind !== 'same') return undefined
  const { deviation } = found.similarity
  return {
    move: [0, 1, 2].map((k) => b.low[k] - a.low[k] * size[k]) as Vec3,
    turn: [0, 0, 0, 1],
    size,
    mirrored: false,
    deviation,
  }
}

/** A mesh sized along its axes, its normals by the inverse. */
function sized(mesh: Mesh, size: Vec3): Mesh {
  const positions = mesh.positions.map((p, i) => p * size[i % 3])
  const normals = mesh.normals.map((n, i) => n / size[i % 3])
  for (let i = 0; i < normals.length; i += 3) {
    const length = Math.hypot(normals[i], normals[i + 1], normals[i + 2]) || 1
    for (let k = 0; k < 3; k++) normals[i + k] /= length
  }
  return { ...mesh, positions, normals }
}
