import { areaVector, facesOf } from '../geometry/faces'
import { flatFaces, foldedSides } from '../geometry/flatFaces'
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

const UP: Vec3 = [0, 1, 0]

/**
 * The corners of a part, the middles of its faces (each as large as it is flat, weighted by area) or of the edges between them.
 * Nothing of what has no faces.
 */
export function placesOn(mesh: Mesh, kind: PlaceKind): PlaceOn[] {
  const { places, faces } = facesOf(mesh)
  const vectors = faces.map((face) => areaVector(places, face))
  const sides = foldedSides(faces, vectors)
  if (kind === 'faces')
    return flatFaces(places, faces, vectors, sides)
      .all.filter(({ size }) => size > 0)
      .map(({ middle, way }) => standing(middle, way))
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

function unit(v: Vec3): Vec3 {
  const length = Math.hypot(...v) || 1
  return [v[0] / length, v[1] / length, v[2] / length]
}
const sum = (all: readonly Vec3[]): Vec3 => [0, 1, 2].map((i) => all.reduce((n, v) => n + v[i], 0)) as Vec3
const standing = (move: Vec3, way: Vec3): PlaceOn => ({ move, turn: turnTowards(UP, unit(way), Math.PI) })
