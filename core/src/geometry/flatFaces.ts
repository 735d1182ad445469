import { type Face, areaVector, facesOf, sidesOf } from './faces'
import type { Mesh } from './mesh'
import type { Vec3 } from './vec'

/** Triangles that meet under less than this, as its cosine, are one face. */
const FLAT = Math.cos(Math.PI / 1800)
/** A face is one to speak of from this share of the surface on; the facets of something round are smaller. */
const LEAST = 0.02

/** Triangles that hang together flat. */
export interface FlatFace {
  /** Where its area balances. */
  readonly middle: Vec3
  /** Twice its area, along the normals of its triangles. */
  readonly way: Vec3
  /** Twice its area. */
  readonly size: number
}

/** An edge, the triangles beside it, and whether they are one face there. */
export interface FoldedSide {
  readonly edge: readonly [number, number]
  readonly beside: readonly number[]
  readonly isFlat: boolean
}

/** Every edge once; an open one, or one of three triangles, is always the edge of a face. */
export function foldedSides(faces: readonly Face[], vectors: readonly Vec3[]): FoldedSide[] {
  const isFlat = (beside: readonly number[]): boolean => {
    if (beside.length !== 2) return false
    const [a, b] = beside.map((f) => vectors[f])
    return a[0] * b[0] + a[1] * b[1] + a[2] * b[2] >= FLAT * Math.hypot(...a) * Math.hypot(...b)
  }
  return sidesOf(faces).map(({ edge, beside }) => ({ edge, beside, isFlat: isFlat(beside) }))
}

/**
 * The flat faces that triangles make, joined by following their sides to the first of each.
 *
 * @param vectors twice the area of each triangle, along its normal
 * @returns the faces, and which one each triangle lies in
 */
export function flatFaces(
  places: readonly Vec3[],
  faces: readonly Face[],
  vectors: readonly Vec3[],
  sides: readonly FoldedSide[],
): { readonly all: readonly FlatFace[]; readonly of: readonly number[] } {
  const first = Uint32Array.from(faces, (_, f) => f)
  const rootOf = (f: number): number => {
    while (first[f] !== f) f = first[f] = first[first[f]]
    return f
  }
  for (const { beside, isFlat } of sides) {
    if (!isFlat) continue
    const [a, b] = beside.map(rootOf)
    first[Math.max(a, b)] = Math.min(a, b)
  }
  const numbers = new Map<number, number>()
  const sums: { at: Vec3; way: Vec3; size: number }[] = []
  const of = faces.map((face, f) => {
    const root = rootOf(f)
    const number = numbers.get(root) ?? sums.push({ at: [0, 0, 0], way: [0, 0, 0], size: 0 }) - 1
    numbers.set(root, number)
    const one = sums[number]
    const size = Math.hypot(...vectors[f])
    for (let i = 0; i < 3; i++) {
      one.at[i] += (size * (places[face[0]][i] + places[face[1]][i] + places[face[2]][i])) / 3
      one.way[i] += vectors[f][i]
    }
    one.size += size
    return number
  })
  return { all: sums.map(({ at, way, size }) => ({ middle: at.map((n) => n / size) as Vec3, way, size })), of }
}

/**
 * The middles of a mesh's flat faces by the triangles in them, in its own axes; undefined of what is no face to speak of, as a facet of
 * something round.
 */
export function flatMiddles(mesh: Pick<Mesh, 'positions' | 'indices'>): (triangle: number) => Vec3 | undefined {
  const { places, faces, triangles } = facesOf(mesh)
  const vectors = faces.map((face) => areaVector(places, face))
  const { all, of } = flatFaces(places, faces, vectors, foldedSides(faces, vectors))
  const surface = all.reduce((sum, { size }) => sum + size, 0)
  const numbers = new Map(triangles.map((triangle, f) => [triangle, of[f]]))
  return (triangle) => {
    const face = all[numbers.get(triangle) ?? -1] as FlatFace | undefined
    return face && face.size >= LEAST * surface ? face.middle : undefined
  }
}
