import type { BezierRun, ChosenEdges, Curve } from '../values/curve'
import type { PartFrame } from '../values/frame'
import type { Vec3 } from '../values/values'
import type { Mesh } from '../geometry/mesh'
import { type Result, done, refused } from '../words'
import { chosenChain } from './chosenEdges'
import { type Chain, chainsOf, formOf } from './sharpEdges'

const MOST_RUNS = 2000
/** So many pieces a run may have. */
const MOST_PIECES = 5000

/**
 * The sharp and open edges of a mesh as runs of straight pieces: vertices of one place are welded, edges between faces
 * that meet under 30° or more and edges with one face alone are kept, and followed from junction to junction; loops close.
 * Or of them only what was chosen.
 *
 * @param mesh in the part's own axes, in metres, as the runs are
 * @param name the part's name, for the sentences
 * @param which the edge, chain or loop that is meant, sized as its copy is; without it all of them, at the part's own size
 */
export function edgeRuns(mesh: Mesh, name: string, which?: ChosenEdges): Result<BezierRun[]> {
  const form = formOf(mesh)
  if (form.sharp.length === 0) return refused(`${name} has no sharp edge. Choose a part with edges of 30° or more.`)
  if (which) {
    const chain = chosenChain(form, which)
    if (!chain)
      return refused(`The edges of ${name} there do not close to a loop. Take the edge, or its chain, instead.`)
    if (chain.corners.length > MOST_PIECES)
      return refused(
        `That run of edges of ${name} has more than `,
        { count: MOST_PIECES },
        ' pieces. Take an edge of it.',
      )
    return done([runOf(form.places, chain, which.size)])
  }
  const chains = chainsOf(form.sharp.map(({ edge }) => edge))
  if (chains.length > MOST_RUNS)
    return refused(
      `${name} has `,
      { count: chains.length },
      ' edges; up to ',
      { count: MOST_RUNS },
      ' can be followed. Choose a simpler part.',
    )
  return done(chains.map((chain) => runOf(form.places, chain)))
}

function runOf(places: readonly Vec3[], { corners, closed }: Chain, size: Readonly<Vec3> = [1, 1, 1]): BezierRun {
  const points = corners.map((v) => places[v].map((n, i) => n * size[i]) as Vec3)
  const ends = closed ? [...points.slice(1), points[0]] : points.slice(1)
  return {
    start: points[0],
    pieces: ends.map((to, i): [Vec3, Vec3, Vec3] => [i === 0 ? points[0] : ends[i - 1], to, to]),
    closed,
  }
}

/**
 * The curve along the edges of a part, which goes along with the part.
 *
 * @param mesh the part's, as it stands by its frame
 */
export function edgeCurve(
  mesh: Mesh,
  { id, name, frame }: { readonly id: string; readonly name: string; readonly frame?: PartFrame | undefined },
  which?: ChosenEdges,
): Result<Extract<Curve, { kind: 'bezier' }>> {
  const runs = edgeRuns(mesh, name, which)
  if (!runs.ok) return runs
  const from = { kind: 'edges' as const, part: name, of: id, ...(frame && { frame }), ...(which && { which }) }
  return done({ kind: 'bezier', runs: runs.value, from })
}
