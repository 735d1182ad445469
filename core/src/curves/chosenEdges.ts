import { boxAround } from '../geometry/box'
import type { Mesh } from '../geometry/mesh'
import { type Vec3, dot, minus } from '../geometry/vec'
import type { ChosenEdges } from '../values/curve'
import { type Chain, type Form, chainsOf } from './sharpEdges'

/** Edges that go on under less than this, as its cosine, are one straight edge. */
const STRAIGHT = Math.cos(Math.PI / 360)

/**
 * A place on a part as it is remembered: as shares of the box about it.
 *
 * @param at in the part's own axes, in metres
 */
export function shareOfBox({ positions }: Pick<Mesh, 'positions'>, at: Readonly<Vec3>): Vec3 {
  const { low, high } = boxAround(positions)!
  return at.map((n, i) => (high[i] > low[i] ? (n - low[i]) / (high[i] - low[i]) : 0.5)) as Vec3
}

/**
 * The edge of a form nearest to a place: as far as it goes straight, as the chain from junction to junction, or as the loop round the
 * face beside it that looks as was meant, where that closes. Which one is meant holds as long as the part keeps its form, at any size.
 */
export function chosenChain(
  form: Form,
  { as, at, toward }: Pick<ChosenEdges, 'as' | 'at' | 'toward'>,
): Chain | undefined {
  const { places, sharp, normals } = form
  const { low, high } = boxAround(places.flat())!
  const place = at.map((share, i) => low[i] + share * (high[i] - low[i])) as Vec3
  const meant = nearestEdge(form, place)
  if (as === 'loop') {
    const [a, b = a] = sharp[meant].beside
    const face = dot(normals[a], toward) >= dot(normals[b], toward) ? a : b
    return loopRound(form, face, meant)
  }
  const chain = chainsOf(sharp.map(({ edge }) => edge)).find(({ edges }) => edges.includes(meant))!
  return as === 'chain' ? chain : straightIn(places, chain, meant)
}

function nearestEdge({ places, sharp }: Form, at: Readonly<Vec3>): number {
  let [best, found] = [Infinity, 0]
  for (const [e, { edge }] of sharp.entries()) {
    const [from, way] = [places[edge[0]], minus(places[edge[1]], places[edge[0]])]
    const off = minus(at, from)
    const share = Math.min(1, Math.max(0, dot(off, way) / dot(way, way)))
    const away = Math.hypot(...off.map((n, i) => n - share * way[i]))
    if (away < best) [best, found] = [away, e]
  }
  return found
}

/** The stretch of a chain about one of its edges that is straight. */
function straightIn(places: readonly Vec3[], { corners, edges, closed }: Chain, meant: number): Chain {
  const all = closed ? [...corners, corners[0]] : corners
  const wayOf = (k: number): Vec3 => minus(places[all[k + 1]], places[all[k]])
  const goesOn = (k: number, next: number): boolean => {
    const [a, b] = [wayOf(k), wayOf(next)]
    return dot(a, b) >= STRAIGHT * Math.hypot(...a) * Math.hypot(...b)
  }
  const k = edges.indexOf(meant)
  let [first, last] = [k, k]
  while (first > 0 && goesOn(first - 1, first)) first--
  while (last + 1 < edges.length && goesOn(last, last + 1)) last++
  return { corners: all.slice(first, last + 2), edges: edges.slice(first, last + 1), closed: false }
}

/** The sharp edges about the smooth face in which a triangle lies, as the loop that goes along one of them. */
function loopRound({ faces, sharp, smooth }: Form, face: number, meant: number): Chain | undefined {
  const beside = new Map<number, number[]>()
  for (const [a, b] of smooth) {
    beside.set(a, [...(beside.get(a) ?? []), b])
    beside.set(b, [...(beside.get(b) ?? []), a])
  }
  const inside = new Uint8Array(faces.length)
  const open = [face]
  inside[face] = 1
  for (let f = open.pop(); f !== undefined; f = open.pop()) {
    for (const next of beside.get(f) ?? []) {
      if (inside[next]) continue
      inside[next] = 1
      open.push(next)
    }
  }
  const about = [...sharp.keys()].filter((e) => sharp[e].beside.filter((f) => inside[f]).length === 1)
  const chain = chainsOf(about.map((e) => sharp[e].edge)).find(({ edges }) => edges.some((k) => about[k] === meant))
  return chain?.closed ? { ...chain, edges: chain.edges.map((k) => about[k]) } : undefined
}
