import type { Vec3 } from '../src/values/values'
import { type Quaternion, rotate } from '../src/geometry/rotation'
import { boxMesh } from '../src/solids/boxes'
import { type Mesh, MeshBuilder } from '../src/geometry/mesh'
import { mergedMesh, placedMesh } from '../src/solids/placed'

/** An angle iron with a nose on one leg and a stud on one side: it has a hand. */
export function bracket(): Mesh {
  const at = (mesh: Mesh, move: Vec3): Mesh => placedMesh(mesh, { move, turn: [0, 0, 0], size: [1, 1, 1] })
  const merged = mergedMesh([
    at(boxMesh(0.2, 0.03, 0.1), [0.1, 0, 0]),
    at(boxMesh(0.03, 0.3, 0.1), [0.015, 0.03, 0]),
    at(boxMesh(0.05, 0.05, 0.02), [0.12, 0.03, 0.06]),
  ])
  return { ...merged, sections: [{ start: 0, count: merged.indices.length }] }
}

export interface Baked {
  readonly move: Vec3
  readonly turn: Quaternion
  readonly size: number
  readonly mirrored: boolean
}

/** A mesh with its placement worked into its vertices, rounded to 32 bits as in a file; mirrored ones face outward. */
export function bakedMesh(mesh: Mesh, { move, turn, size, mirrored }: Baked): Mesh {
  const positions = new Float32Array(mesh.positions.length)
  const normals = new Float32Array(mesh.normals.length)
  const sign = mirrored ? -1 : 1
  for (let i = 0; i < positions.length; i += 3) {
    const p = mesh.positions.subarray(i, i + 3)
    const n = mesh.normals.subarray(i, i + 3)
    const moved = rotate(turn, [sign * p[0] * size, p[1] * size, p[2] * size])
    const leaning = rotate(turn, [sign * n[0], n[1], n[2]])
    for (let k = 0; k < 3; k++) {
      positions[i + k] = moved[k] + move[k]
      normals[i + k] = leaning[k]
    }
  }
  const indices = mesh.indices.slice()
  if (mirrored)
    for (let t = 0; t < indices.length; t += 3) [indices[t + 1], indices[t + 2]] = [indices[t + 2], indices[t + 1]]
  return { ...mesh, positions, normals, indices }
}

/** Numbers from 0 to 1 that repeat for a seed (Park & Miller 1988). */
export function minimalStandard(seed: number): () => number {
  let state = seed % 2147483647 || 1
  return () => (state = (state * 16807) % 2147483647) / 2147483647
}

/** A mesh with its vertices and triangles in another order. */
export function shuffledMesh(mesh: Mesh, seed: number): Mesh {
  const random = minimalStandard(seed)
  const shuffle = (n: number): number[] => {
    const order = Array.from({ length: n }, (_, i) => i)
    for (let i = n - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1))
      ;[order[i], order[j]] = [order[j], order[i]]
    }
    return order
  }
  const vertices = shuffle(mesh.positions.length / 3)
  const fresh = new Uint32Array(vertices.length)
  for (const [now, before] of vertices.entries()) fresh[before] = now
  const pick = (values: Float32Array): Float32Array => {
    const out = new Float32Array(values.length)
    for (const [now, before] of vertices.entries())
      for (let k = 0; k < 3; k++) out[3 * now + k] = values[3 * before + k]
    return out
  }
  const indices = new Uint32Array(mesh.indices.length)
  for (const [now, before] of shuffle(mesh.indices.length / 3).entries()) {
    const first = Math.floor(random() * 3)
    for (let i = 0; i < 3; i++) indices[3 * now + i] = fresh[mesh.indices[3 * before + ((first + i) % 3)]]
  }
  return { ...mesh, positions: pick(mesh.positions), normals: pick(mesh.normals), indices }
}

/** A mesh of given places and triangles, each triangle shaded flat. */
export function meshFrom(places: readonly (readonly number[])[], triangles: readonly (readonly number[])[]): Mesh {
  const mesh = new MeshBuilder()
  for (const [a, b, c] of triangles) {
    const [p, q, r] = [places[a], places[b], places[c]]
    const u = [0, 1, 2].map((i) => q[i] - p[i])
    const v = [0, 1, 2].map((i) => r[i] - p[i])
    const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
    const l = Math.hypot(...n) || 1
    const corner = ([x, y, z]: readonly number[]): number => mesh.vertex(x, y, z, n[0] / l, n[1] / l, n[2] / l)
    mesh.triangle(corner(p), corner(q), corner(r))
  }
  return mesh.build()
}

/** Every edge of a closed surface is walked once each way; vertices at one place count as one. */
export function openEdges({ positions, indices }: Mesh): number {
  const ids = new Map<string, number>()
  const corner = (v: number): number => {
    const key = [0, 1, 2].map((i) => Math.round(positions[3 * v + i] * 1e5)).join()
    return ids.get(key) ?? (ids.set(key, ids.size), ids.size - 1)
  }
  const edges = new Map<string, number>()
  for (let t = 0; t < indices.length; t += 3) {
    const c = [0, 1, 2].map((i) => corner(indices[t + i]))
    for (let i = 0; i < 3; i++) {
      const [a, b] = [c[i], c[(i + 1) % 3]]
      const key = a < b ? `${a} ${b}` : `${b} ${a}`
      edges.set(key, (edges.get(key) ?? 0) + (a < b ? 1 : -1))
    }
  }
  return [...edges.values()].filter((n) => n !== 0).length
}
