import { type Face, areaVector, facesOf, sidesOf } from '../geometry/faces'
import type { Mesh } from '../geometry/mesh'
import { type Quaternion, turnTowards } from '../geometry/rotation'
import type { Vec3 } from '../geometry/vec'

/** Where on a part: its corners, the middles of its faces, or the middles of its edges. */
export const placeKinds = ['corners', 'faces', 'edges'] as const
export type PlaceKind = (typeof placeKinds)[number]

/** A place on a part, in its own axes and metres; turned so that up looks out of the part there. */
export interface PlaceOn {
  readonly move: Vec3
  readonly turn: Quaternion
}

/** Triangles that meet under less than this are one face. */
const FLAT = Math.cos(Math.PI / 1800)
const UP: Vec3 = [0, 1, 0]

/**
 * The corners of a part, the middles of its faces (each as large as it is flat, weighted by area) or of the edges between them.
 * Nothing of what has no faces.
 */
export function placesOn(mesh: Mesh, kind: PlaceKind): PlaceOn[] {
  const { places, faces } = facesOf(mesh)
  const vectors = faces.map((face) => areaVector(places, face))
  const sides = sidesOf(faces).map((side) => ({ ...side, isFlat: isFlat(side.beside, vectors) }))
  if (kind === 'faces') return flatFaces(places, faces, vectors, sides)
  const edges = sides.filter((side) => !side.isFlat)
  if (kind === 'edges')
    return edges.map(({ edge: [a, b], beside }) =>
      standing(
        [0, 1, 2].map((i) => (places[a][i] + places[b][i]) / 2) as Vec3,
        sum(beside.map((f) => unit(vectors[f]))),
      ),
    )
  // A corner is where edges end: what lies within a flat face is none.
  const out = new Map<number, Vec3>(edges.flatMap(({ edge }) => edge.map((v): [number, Vec3] => [v, [0, 0, 0]])))
  for (const [f, face] of faces.entries())
    for (const v of face) {
      const all = out.get(v)
      if (all) for (let i = 0; i < 3; i++) all[i] += vectors[f][i]
    }
  return [...out].sort(([a], [b]) => a - b).map(([v, way]) => standing([...places[v]], way))
}

interface Side {
  readonly beside: readonly number[]
  readonly isFlat: boolean
}

/** Triangles that hang together flat, joined by following their sides to the first of each. */
function flatFaces(
  places: readonly Vec3[],
  faces: readonly Face[],
  vectors: readonly Vec3[],
  sides: readonly Side[],
): PlaceOn[] {
  const first = Uint32Array.from(faces, (_, f) => f)
  const rootOf = (f: number): number => {
    while (first[f] !== f) f = first[f] = first[first[f]]
    return f
  }
  for (const { beside, isFlat: joins } of sides) {
    if (!joins) continue
    const [a, b] = beside.map(rootOf)
    first[Math.max(a, b)] = Math.min(a, b)
  }
  const found = new Map<number, { at: Vec3; way: Vec3; area: number }>()
  for (const [f, face] of faces.entries()) {
    const root = rootOf(f)
    const one = found.get(root) ?? { at: [0, 0, 0], way: [0, 0, 0], area: 0 }
    const area = Math.hypot(...vectors[f])
    for (let i = 0; i < 3; i++) {
      one.at[i] += (area * (places[face[0]][i] + places[face[1]][i] + places[face[2]][i])) / 3
      one.way[i] += vectors[f][i]
    }
    one.area += area
    found.set(root, one)
  }
  return [...found.values()]
    .filter(({ area }) => area > 0)
    .map(({ at, way, area }) => standing(at.map((n) => n / area) as Vec3, way))
}

/** Whether two faces beside an edge are one; an open edge or one of three faces is always an edge. */
function isFlat(beside: readonly number[], vectors: readonly Vec3[]): boolean {
  if (beside.length !== 2) return false
  const [a, b] = beside.map((f) => unit(vectors[f]))
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2] >= FLAT
}

function unit(v: Vec3): Vec3 {
  const length = Math.hypot(...v) || 1
  return [v[0] / length, v[1] / length, v[2] / length]
}
const sum = (all: readonly Vec3[]): Vec3 => [0, 1, 2].map((i) => all.reduce((n, v) => n + v[i], 0)) as Vec3
const standing = (move: Vec3, way: Vec3): PlaceOn => ({ move, turn: turnTowards(UP, unit(way), Math.PI) })
