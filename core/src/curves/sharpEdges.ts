import type { Mesh } from '../geometry/mesh'
import { type Face, facesOf, normalOf, sidesOf } from '../geometry/faces'
import { type Vec3, dot } from '../geometry/vec'

/** Edges at which faces meet under this angle or more are edges of the form. */
const CREASE = Math.PI / 6
const BLUNT = Math.cos(CREASE) + 1e-9

/** An edge of the form by its two corners, and the faces beside it: one where it is open. */
export interface SharpEdge {
  readonly edge: readonly [number, number]
  readonly beside: readonly number[]
}

/** A mesh as its form is followed: places, faces and their normals, and every edge by which it is not smooth. */
export interface Form {
  readonly places: readonly Vec3[]
  readonly faces: readonly Face[]
  readonly normals: readonly Vec3[]
  readonly sharp: readonly SharpEdge[]
  /** Across which two faces go on into each other. */
  readonly smooth: readonly (readonly number[])[]
}

/** The sharp and open edges of a mesh: vertices of one place are welded, edges between faces under 30° are none. */
export function formOf(mesh: Mesh): Form {
  const { places, faces } = facesOf(mesh)
  const normals = faces.map((face) => normalOf(places, face))
  const sharp: SharpEdge[] = []
  const smooth: (readonly number[])[] = []
  for (const side of sidesOf(faces)) {
    const [a, b] = side.beside
    if (side.beside.length !== 2 || dot(normals[a], normals[b]) < BLUNT) sharp.push(side)
    else smooth.push(side.beside)
  }
  return { places, faces, normals, sharp, smooth }
}

/** Edges one after another: their corners, and the edges between them by their numbers. */
export interface Chain {
  readonly corners: readonly number[]
  readonly edges: readonly number[]
  readonly closed: boolean
}

/** Edges joined into chains, from one junction or end to the next; what is left over are loops. */
export function chainsOf(edges: readonly (readonly [number, number])[]): Chain[] {
  const beside = new Map<number, number[]>()
  for (const [e, edge] of edges.entries()) {
    for (const v of edge) {
      const on = beside.get(v)
      if (on) on.push(e)
      else beside.set(v, [e])
    }
  }
  const used = new Uint8Array(edges.length)
  const follow = (from: number, first: number): Chain => {
    const [corners, along] = [[from], [] as number[]]
    let [at, edge] = [from, first]
    for (;;) {
      used[edge] = 1
      along.push(edge)
      at = edges[edge][0] === at ? edges[edge][1] : edges[edge][0]
      if (at === from) return { corners, edges: along, closed: true }
      corners.push(at)
      const on = beside.get(at)!
      const next = on.length === 2 ? on.find((e) => !used[e]) : undefined
      if (next === undefined) return { corners, edges: along, closed: false }
      edge = next
    }
  }
  const chains: Chain[] = []
  for (const [v, on] of beside) if (on.length !== 2) for (const e of on) if (!used[e]) chains.push(follow(v, e))
  for (const [e, [v]] of edges.entries()) if (!used[e]) chains.push(follow(v, e))
  return chains
}
