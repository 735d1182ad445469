import { cofactors, composed } from '../geometry/matrix'
import type { Vec3 } from '../values/values'
import { fromTurns } from '../geometry/rotation'
import type { Mesh, MeshPicture, Section } from '../geometry/mesh'

export interface Placed {
  readonly move: Vec3
  /** About across, then up, then deep, in radians. */
  readonly turn: Vec3
  readonly size: Vec3
}

/** A mesh moved, turned and sized. */
export function placedMesh(mesh: Mesh, { move, turn, size }: Placed): Mesh {
  const m = composed(move, fromTurns(turn), size)
  const c = cofactors(m)
  const positions = new Float32Array(mesh.positions.length)
  const normals = new Float32Array(mesh.normals.length)
  const { positions: p, normals: n } = mesh
  for (let i = 0; i < p.length; i += 3) {
    for (let r = 0; r < 3; r++) {
      positions[i + r] = m[r] * p[i] + m[4 + r] * p[i + 1] + m[8 + r] * p[i + 2] + m[12 + r]
      normals[i + r] = c[r] * n[i] + c[3 + r] * n[i + 1] + c[6 + r] * n[i + 2]
    }
    const length = Math.hypot(normals[i], normals[i + 1], normals[i + 2]) || 1
    for (let r = 0; r < 3; r++) normals[i + r] /= length
  }
  return { ...mesh, positions, normals }
}

const images = new WeakMap<Mesh, Mesh>()
/**
 * The mirror image of a mesh across the plane between left and right: its faces still look outward. Kept, so that the image of
 * the image is the mesh itself.
 */
export function mirroredMesh(mesh: Mesh): Mesh {
  const known = images.get(mesh)
  if (known) return known
  const image = mirror(mesh)
  images.set(mesh, image)
  images.set(image, mesh)
  return image
}

function mirror(mesh: Mesh): Mesh {
  const positions = mesh.positions.slice()
  const normals = mesh.normals.slice()
  const indices = mesh.indices.slice()
  for (let i = 0; i < positions.length; i += 3) {
    positions[i] = -positions[i]
    normals[i] = -normals[i]
  }
  for (let t = 0; t < indices.length; t += 3) [indices[t + 1], indices[t + 2]] = [indices[t + 2], indices[t + 1]]
  return { ...mesh, positions, normals, indices }
}

/** Several meshes as one; sections and pictures stay theirs. */
export function mergedMesh(pieces: readonly Mesh[]): Mesh {
  const vertices = pieces.reduce((n, m) => n + m.positions.length / 3, 0)
  const corners = pieces.reduce((n, m) => n + m.indices.length, 0)
  const positions = new Float32Array(3 * vertices)
  const normals = new Float32Array(3 * vertices)
  const painted = pieces.some((m) => m.uvs)
  const uvs = new Float32Array(painted ? 2 * vertices : 0)
  const tinted = pieces.some((m) => m.colors)
  // White changes nothing on those that bring no colours.
  const colors = new Uint8Array(tinted ? 3 * vertices : 0).fill(255)
  const indices = new Uint32Array(corners)
  const sections: Section[] = []
  const pictures: MeshPicture[] = []
  let [vertex, corner] = [0, 0]
  for (const mesh of pieces) {
    positions.set(mesh.positions, 3 * vertex)
    normals.set(mesh.normals, 3 * vertex)
    if (mesh.uvs) uvs.set(mesh.uvs, 2 * vertex)
    if (mesh.colors) colors.set(mesh.colors, 3 * vertex)
    for (let i = 0; i < mesh.indices.length; i++) indices[corner + i] = vertex + mesh.indices[i]
    for (const section of mesh.sections) {
      const picture = section.picture === undefined ? undefined : pictures.length + section.picture
      sections.push({ ...section, start: corner + section.start, ...(picture !== undefined && { picture }) })
    }
    pictures.push(...(mesh.pictures ?? []))
    vertex += mesh.positions.length / 3
    corner += mesh.indices.length
  }
  return { positions, normals, indices, sections, ...(painted && { uvs, pictures }), ...(tinted && { colors }) }
}
