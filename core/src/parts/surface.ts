import { NO_BOX, boxAround } from '../geometry/box'
import type { PartFrame } from '../model/part'
import { turnOf, type Vec3 } from '../values/values'
import type { Mesh, MeshPicture } from '../geometry/mesh'

/** A mesh stood as its part wants it: moved so that its pivot is the origin, then turned so that its top and front are those named. */
export function framed(mesh: Mesh, frame: PartFrame | undefined): Mesh {
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return mesh
  const { pivot } = frame
  const positions = new Float32Array(mesh.positions.length)
  const normals = new Float32Array(mesh.normals.length)
  for (let i = 0; i < positions.length; i += 3) {
    for (const [r, [a, b, c]] of rows.entries()) {
      const p = mesh.positions
      positions[i + r] = a * (p[i] - pivot[0]) + b * (p[i + 1] - pivot[1]) + c * (p[i + 2] - pivot[2])
      normals[i + r] = a * mesh.normals[i] + b * mesh.normals[i + 1] + c * mesh.normals[i + 2]
    }
  }
  return { ...mesh, positions, normals }
}

/** Where a place in a part's axes lies in those in which its shape was made: what `framed` does, taken back. */
export function unframed([x, y, z]: Readonly<Vec3>, frame: PartFrame | undefined): Vec3 {
  const rows = frame && turnOf(frame.up, frame.front)
  if (!rows) return [x, y, z]
  const [across, up, deep] = rows
  return [0, 1, 2].map((i) => across[i] * x + up[i] * y + deep[i] * z + frame.pivot[i]) as Vec3
}

/** A mesh whose triangles are each shaded flat: no vertex is shared, and each carries its triangle's normal. */
export function faceted(mesh: Mesh): Mesh {
  const { positions: p, indices, uvs, colors } = mesh
  const positions = new Float32Array(3 * indices.length)
  const normals = new Float32Array(3 * indices.length)
  const flatUvs = uvs && new Float32Array(2 * indices.length)
  const flatColors = colors && new Uint8Array(3 * indices.length)
  for (let t = 0; t < indices.length; t += 3) {
    const [a, b, c] = [3 * indices[t], 3 * indices[t + 1], 3 * indices[t + 2]]
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    const n = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const length = Math.hypot(...n) || 1
    for (const [i, v] of [a, b, c].entries()) {
      for (let k = 0; k < 3; k++) {
        positions[3 * (t + i) + k] = p[v + k]
        normals[3 * (t + i) + k] = n[k] / length
      }
      if (flatColors && colors) flatColors.set(colors.subarray(v, v + 3), 3 * (t + i))
      if (flatUvs && uvs) flatUvs.set(uvs.subarray((2 * v) / 3, (2 * v) / 3 + 2), 2 * (t + i))
    }
  }
  return {
    ...mesh,
    positions,
    normals,
    ...(flatUvs && { uvs: flatUvs }),
    ...(flatColors && { colors: flatColors }),
    indices: Uint32Array.from({ length: indices.length }, (_, i) => i),
  }
}

/**
 * A mesh with a picture laid on from the six sides, once over its box: each triangle takes the side that it faces most.
 * Coordinates run from the picture's top left corner, as in glTF.
 */
export function pictured(mesh: Mesh, picture: MeshPicture): Mesh {
  const flat = faceted(mesh)
  const { positions: p, normals: sides } = flat
  const { low, high } = boxAround(p) ?? NO_BOX
  const uvs = new Float32Array((2 * p.length) / 3)
  const normals = new Float32Array(p.length)
  for (let v = 0; v < p.length / 3; v++) {
    const n = [0, 1, 2].map((k) => sides[3 * v + k])
    const side = [0, 1, 2].reduce((most, k) => (Math.abs(n[k]) > Math.abs(n[most]) ? k : most), 0)
    const [across, up] = [
      [2, 1],
      [0, 2],
      [0, 1],
    ][side]
    const share = (k: number): number => (p[3 * v + k] - low[k]) / (high[k] - low[k] || 1)
    const mirrored = side === 0 ? n[0] > 0 : side === 2 && n[2] < 0
    uvs[2 * v] = mirrored ? 1 - share(across) : share(across)
    uvs[2 * v + 1] = side === 1 ? (n[1] > 0 ? share(up) : 1 - share(up)) : 1 - share(up)
    const from = 3 * mesh.indices[v]
    for (let k = 0; k < 3; k++) normals[3 * v + k] = mesh.normals[from + k]
  }
  return {
    ...flat,
    normals,
    uvs,
    pictures: [picture],
    sections: flat.sections.map((section) => ({ ...section, picture: 0 })),
  }
}
