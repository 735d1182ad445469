import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'
import { type Cloud, cloudOf } from './cloud'
import type { Similarity } from '../geometry/similarity'
import { Reference } from './match'

/**
 * Whether a shape is another one stretched along their common axes: both are brought to a box of one size and must then be
 * the same without any turn. Only the meshes' own axes are tried; with free axes every box would be one part.
 *
 * @param tolerance in metres, at the other's size
 */
export function matchByAxes(cloud: Cloud, other: Cloud, tolerance: number): Similarity | undefined {
  if (cloud.count !== other.count || cloud.mesh.indices.length !== other.mesh.indices.length) return undefined
  const [a, b] = [boxOf(cloud.mesh), boxOf(other.mesh)]
  const size = [0, 1, 2].map((k) => (a.size[k] > 1e-12 && b.size[k] > 1e-12 ? b.size[k] / a.size[k] : 1)) as Vec3
  const stretched = cloudOf(sized(cloud.mesh, size))
  const found = new Reference(stretched).match(other, tolerance)
  if (found.kind !== 'same' || found.similarity.mirrored) return undefined
  const { turn, deviation } = found.similarity
  // A turn besides would make another shape of it than the one that stands in the file's axes.
  if (Math.abs(turn[3]) < 1 - 1e-6) return undefined
  return {
    move: [0, 1, 2].map((k) => b.low[k] - a.low[k] * size[k]) as Vec3,
    turn: [0, 0, 0, 1],
    size,
    mirrored: false,
    deviation,
  }
}

function boxOf({ positions }: Mesh): { low: Vec3; size: Vec3 } {
  const low: Vec3 = [Infinity, Infinity, Infinity]
  const high: Vec3 = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < positions.length; i++) {
    const k = i % 3
    low[k] = Math.min(low[k], positions[i])
    high[k] = Math.max(high[k], positions[i])
  }
  return { low, size: [0, 1, 2].map((k) => high[k] - low[k]) as Vec3 }
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
