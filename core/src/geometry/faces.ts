import type { Mesh } from './mesh'
import { type Vec3, cross, dot } from './vec'
import { welded } from './weld'

/** Three corners of a mesh whose vertices of one place are one. */
export type Face = readonly [number, number, number]

/** Vertices nearer than this are one, in metres. */
const APART = 1e-7

/** The places of a mesh, each once, and its triangles by them, with their numbers in it; those without three places are left out. */
export function facesOf({ positions: p, indices }: Pick<Mesh, 'positions' | 'indices'>): {
  readonly places: Vec3[]
  readonly faces: Face[]
  readonly triangles: number[]
} {
  const { pointOf, count, first } = welded(p, APART)
  const places = Array.from(first.subarray(0, count), (v): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]])
  const faces: Face[] = []
  const triangles: number[] = []
  for (let t = 0; t < indices.length; t += 3) {
    const face: Face = [pointOf[indices[t]], pointOf[indices[t + 1]], pointOf[indices[t + 2]]]
    if (new Set(face).size < 3) continue
    faces.push(face)
    triangles.push(t / 3)
  }
  return { places, faces, triangles }
}

/** Twice the area of a face, along its normal. */
export function areaVector(places: readonly Vec3[], [a, b, c]: Face): Vec3 {
  const from = (to: number): Vec3 => [0, 1, 2].map((i) => places[to][i] - places[a][i]) as Vec3
  return cross(from(b), from(c))
}

/** The direction that a face looks, of length 1; of one without area nothing. */
export function normalOf(places: readonly Vec3[], face: Face): Vec3 {
  const n = areaVector(places, face)
  const length = Math.sqrt(dot(n, n)) || 1
  return [n[0] / length, n[1] / length, n[2] / length]
}

/** Every edge once, with the faces beside it. */
export function sidesOf(faces: readonly Face[]): { readonly edge: [number, number]; readonly beside: number[] }[] {
  const sides = new Map<string, { readonly edge: [number, number]; readonly beside: number[] }>()
  for (const [f, face] of faces.entries()) {
    for (let i = 0; i < 3; i++) {
      const [a, b] = [face[i], face[(i + 1) % 3]].sort((x, y) => x - y)
      const key = `${a} ${b}`
      const side = sides.get(key)
      if (side) side.beside.push(f)
      else sides.set(key, { edge: [a, b], beside: [f] })
    }
  }
  return [...sides.values()]
}
