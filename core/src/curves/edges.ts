import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'
import { welded } from '../geometry/weld'
import { type Result, done, refused } from '../words'

/** Edges at which faces meet under this angle or more are edges of the form. */
const CREASE = Math.PI / 6
const MOST_RUNS = 2000

/**
 * The sharp and open edges of a mesh as runs of straight pieces: vertices of one place are welded, edges between faces
 * that meet under 30° or more and edges with one face alone are kept, and followed from junction to junction; loops close.
 *
 * @param name the part's name, for the sentences
 */
export function edgeRuns(mesh: Mesh, name: string): Result<BezierRun[]> {
  const { places, faces } = facesOf(mesh)
  const chains = chain(sharpEdges(places, faces))
  if (chains.length === 0) return refused(`${name} has no sharp edge. Choose a part with edges of 30° or more.`)
  if (chains.length > MOST_RUNS)
    return refused(
      `${name} has `,
      { count: chains.length },
      ' edges; up to ',
      { count: MOST_RUNS },
      ' can be followed. Choose a simpler part.',
    )
  return done(
    chains.map(({ corners, closed }) => {
      const points = corners.map((v) => places[v])
      const ends = closed ? [...points.slice(1), points[0]] : points.slice(1)
      return {
        start: points[0],
        pieces: ends.map((to, i): [Vec3, Vec3, Vec3] => [i === 0 ? points[0] : ends[i - 1], to, to]),
        closed,
      }
    }),
  )
}

/** Vertices nearer than this are one, in metres. */
const APART = 1e-7

function facesOf({ positions: p, indices }: Mesh): { places: Vec3[]; faces: [number, number, number][] } {
  const { pointOf, count, first } = welded(p, APART)
  const places = Array.from(first.subarray(0, count), (v): Vec3 => [p[3 * v], p[3 * v + 1], p[3 * v + 2]])
  const faces: [number, number, number][] = []
  for (let t = 0; t < indices.length; t += 3) {
    const face: [number, number, number] = [pointOf[indices[t]], pointOf[indices[t + 1]], pointOf[indices[t + 2]]]
    if (new Set(face).size === 3) faces.push(face)
  }
  return { places, faces }
}

function sharpEdges(
  places: readonly Vec3[],
  faces: readonly (readonly [number, number, number])[],
): [number, number][] {
  const normals = faces.map(([a, b, c]) => {
    const [u, v] = [places[b].map((n, i) => n - places[a][i]), places[c].map((n, i) => n - places[a][i])]
    const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
    const length = Math.hypot(...n) || 1
    return n.map((x) => x / length)
  })
  const sides = new Map<string, { readonly edge: [number, number]; readonly faces: number[] }>()
  for (const [f, face] of faces.entries()) {
    for (let i = 0; i < 3; i++) {
      const [a, b] = [face[i], face[(i + 1) % 3]].sort((x, y) => x - y)
      const key = `${a} ${b}`
      const side = sides.get(key)
      if (side) side.faces.push(f)
      else sides.set(key, { edge: [a, b], faces: [f] })
    }
  }
  const sharp: [number, number][] = []
  for (const { edge, faces: beside } of sides.values()) {
    const [m, n] = [normals[beside[0]], normals[beside[1]]]
    if (beside.length !== 2 || m[0] * n[0] + m[1] * n[1] + m[2] * n[2] < Math.cos(CREASE) + 1e-9) sharp.push(edge)
  }
  return sharp
}

/** Edges joined into runs, from one junction or end to the next; what is left over are loops. */
function chain(edges: readonly (readonly [number, number])[]): { corners: number[]; closed: boolean }[] {
  const beside = new Map<number, number[]>()
  for (const [e, edge] of edges.entries()) for (const v of edge) beside.set(v, [...(beside.get(v) ?? []), e])
  const used = new Uint8Array(edges.length)
  const follow = (from: number, first: number): { corners: number[]; closed: boolean } => {
    const corners = [from]
    let [at, edge] = [from, first]
    for (;;) {
      used[edge] = 1
      at = edges[edge][0] === at ? edges[edge][1] : edges[edge][0]
      if (at === from) return { corners, closed: true }
      corners.push(at)
      const on = beside.get(at)!
      const next = on.length === 2 ? on.find((e) => !used[e]) : undefined
      if (next === undefined) return { corners, closed: false }
      edge = next
    }
  }
  const runs: { corners: number[]; closed: boolean }[] = []
  for (const [v, on] of beside) if (on.length !== 2) for (const e of on) if (!used[e]) runs.push(follow(v, e))
  for (const [e, [v]] of edges.entries()) if (!used[e]) runs.push(follow(v, e))
  return runs
}
