import { boxAround } from '../geometry/box'
import { type Mesh, type Section, triangleCount, verticesOf } from '../geometry/mesh'
import { welded } from '../geometry/weld'
import { type Vec3, cross } from '../geometry/vec'
import type { Cut } from '../model/part'

/** Corners nearer than this hang together, in metres. */
const APART = 1e-7

/** By what a mesh falls into pieces of itself. */
export type PieceKind = Exclude<Cut['by'], 'faces'>

/** Triangles of a mesh, by their numbers. */
type Triangles = Uint32Array

const knownPieces = new WeakMap<Mesh, Map<PieceKind, readonly Triangles[]>>()
const knownCuts = new WeakMap<Mesh, Map<string, Mesh>>()

/**
 * The pieces of a mesh: triangles that hang together by a corner (corners no more than 0.1 µm apart are one), or that have one look
 * (colour, roughness, metal and picture of their section). Each triangle is in one of them; they come as their first triangles do.
 */
export function piecesOf(mesh: Mesh, by: PieceKind): readonly Triangles[] {
  const known = knownPieces.get(mesh) ?? new Map<PieceKind, readonly Triangles[]>()
  knownPieces.set(mesh, known)
  const found = known.get(by) ?? gathered(by === 'pieces' ? hanging(mesh) : looks(mesh))
  known.set(by, found)
  return found
}

/**
 * What cuts leave of a mesh, with its own vertices alone. A piece that is not there (its file is another one now) leaves nothing. The
 * same mesh for the same cuts, as long as the mesh is the same.
 */
export function cutMesh(mesh: Mesh, cuts: readonly Cut[]): Mesh {
  return cuts.reduce((from, cut) => {
    const known = knownCuts.get(from) ?? new Map<string, Mesh>()
    knownCuts.set(from, known)
    const key = JSON.stringify(cut)
    const made = known.get(key) ?? ofTriangles(from, trianglesOf(from, cut))
    known.set(key, made)
    return made
  }, mesh)
}

/** Between which corners what cuts leave of a mesh lies, and how many triangles that are. */
export function extentOf(mesh: Mesh, cuts: readonly Cut[] = []): { low: Vec3; high: Vec3; triangles: number } {
  const { positions, indices } = cutMesh(mesh, cuts)
  const { low, high } = boxAround(positions) ?? { low: [0, 0, 0] as Vec3, high: [0, 0, 0] as Vec3 }
  return { low: [...low], high: [...high], triangles: indices.length / 3 }
}

/** Triangles as runs: `[first, how many, first, how many …]`. */
export function runsOf(triangles: Iterable<number>): number[] {
  const runs: number[] = []
  for (const t of [...triangles].sort((a, b) => a - b)) {
    const last = runs.length - 2
    if (last >= 0 && runs[last] + runs[last + 1] === t) runs[last + 1]++
    else runs.push(t, 1)
  }
  return runs
}

/** Neighbouring triangles that bend no more than this are one face, as the cosine of 30°. */
const SMOOTH = Math.cos(Math.PI / 6)

const knownSides = new WeakMap<Mesh, { readonly beside: Int32Array; readonly normals: Float64Array }>()

/** The triangles of the face in which one lies: all that are reached from it over edges that bend by 30° at most. */
export function faceAround(mesh: Mesh, triangle: number): number[] {
  const known = knownSides.get(mesh) ?? sidesOf(mesh)
  knownSides.set(mesh, known)
  const { beside, normals: n } = known
  const found = new Set([triangle])
  for (const t of found) {
    for (let side = 0; side < 3; side++) {
      const next = beside[3 * t + side]
      if (next < 0 || found.has(next)) continue
      const bend = n[3 * t] * n[3 * next] + n[3 * t + 1] * n[3 * next + 1] + n[3 * t + 2] * n[3 * next + 2]
      if (bend >= SMOOTH) found.add(next)
    }
  }
  return [...found]
}

/** For each triangle those beyond its three sides, −1 where there is none, and the way that each looks. */
function sidesOf({ positions: p, indices }: Mesh): { beside: Int32Array; normals: Float64Array } {
  const { pointOf, count } = welded(p, APART)
  const beside = new Int32Array(indices.length).fill(-1)
  const normals = new Float64Array(indices.length)
  const open = new Map<number, number>()
  for (let i = 0; i < indices.length; i += 3) {
    const [a, b, c] = [3 * indices[i], 3 * indices[i + 1], 3 * indices[i + 2]]
    const way = (to: number): Vec3 => [p[to] - p[a], p[to + 1] - p[a + 1], p[to + 2] - p[a + 2]]
    const n = cross(way(b), way(c))
    const length = Math.hypot(...n) || 1
    for (let k = 0; k < 3; k++) {
      normals[i + k] = n[k] / length
      const [from, to] = [pointOf[indices[i + k]], pointOf[indices[i + ((k + 1) % 3)]]]
      const edge = Math.min(from, to) * count + Math.max(from, to)
      const other = open.get(edge)
      if (other === undefined) {
        open.set(edge, i + k)
        continue
      }
      // Where more than two meet in an edge, the first two are neighbours, then the next two.
      open.delete(edge)
      beside[i + k] = Math.floor(other / 3)
      beside[other] = i / 3
    }
  }
  return { beside, normals }
}

function trianglesOf(mesh: Mesh, cut: Cut): Triangles {
  if (cut.by !== 'faces') return piecesOf(mesh, cut.by).at(cut.number) ?? new Uint32Array()
  const inside = new Uint8Array(triangleCount(mesh))
  for (let i = 0; i + 1 < cut.runs.length; i += 2) inside.fill(1, cut.runs[i], cut.runs[i] + cut.runs[i + 1])
  const wanted = cut.rest ? 0 : 1
  return Uint32Array.from(inside.keys()).filter((t) => inside[t] === wanted)
}

/** For each triangle, a number that those of its piece share: its piece's first corner. */
function hanging({ positions, indices }: Mesh): Uint32Array {
  const { pointOf, count } = welded(positions, APART)
  const above = Uint32Array.from({ length: count }, (_, i) => i)
  const top = (point: number): number => {
    let at = point
    // Half the way is shortened at every visit (path halving, Tarjan & van Leeuwen 1984).
    while (above[at] !== at) at = above[at] = above[above[at]]
    return at
  }
  for (let i = 0; i < indices.length; i += 3) {
    const first = top(pointOf[indices[i]])
    above[top(pointOf[indices[i + 1]])] = first
    above[top(pointOf[indices[i + 2]])] = first
  }
  return Uint32Array.from({ length: indices.length / 3 }, (_, t) => top(pointOf[indices[3 * t]]))
}

/** For each triangle, the number of its look. */
function looks(mesh: Mesh): Uint32Array {
  const number = new Map<string, number>()
  const lookOf = new Uint32Array(triangleCount(mesh))
  for (const { start, count, color, roughness, metal, picture } of mesh.sections) {
    const look = JSON.stringify([color, roughness, metal, picture])
    if (!number.has(look)) number.set(look, number.size)
    lookOf.fill(number.get(look)!, start / 3, (start + count) / 3)
  }
  return lookOf
}

function gathered(pieceOf: Uint32Array): Triangles[] {
  const lists = new Map<number, number[]>()
  for (const [t, piece] of pieceOf.entries()) {
    const list = lists.get(piece)
    if (list) list.push(t)
    else lists.set(piece, [t])
  }
  return [...lists.values()].map((list) => Uint32Array.from(list))
}

/** A mesh of some triangles of another, in their order, with the vertices that they have. */
function ofTriangles(mesh: Mesh, triangles: Triangles): Mesh {
  const { indices, pictures } = mesh
  const now = new Map<number, number>()
  const own = new Uint32Array(3 * triangles.length)
  for (const [n, t] of triangles.entries()) {
    for (let c = 0; c < 3; c++) {
      const vertex = indices[3 * t + c]
      const number = now.get(vertex) ?? now.size
      now.set(vertex, number)
      own[3 * n + c] = number
    }
  }
  return {
    ...verticesOf(mesh, [...now.keys()]),
    indices: own,
    sections: sectionsOf(mesh, triangles),
    ...(pictures && { pictures }),
  }
}

function sectionsOf({ sections }: Mesh, triangles: Triangles): Section[] {
  const own: Section[] = []
  let at = 0
  for (const section of sections) {
    const [from, end] = [section.start / 3, (section.start + section.count) / 3]
    const first = at
    while (at < triangles.length && triangles[at] >= from && triangles[at] < end) at++
    if (at > first) own.push({ ...section, start: 3 * first, count: 3 * (at - first) })
  }
  return own
}
