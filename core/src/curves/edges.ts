import type { BezierRun } from '../values/curve'
import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'
import { type Face, facesOf, normalOf, sidesOf } from '../geometry/faces'
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

function sharpEdges(places: readonly Vec3[], faces: readonly Face[]): [number, number][] {
  const normals = faces.map((face) => normalOf(places, face))
  const sharp: [number, number][] = []
  for (const { edge, beside } of sidesOf(faces)) {
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
