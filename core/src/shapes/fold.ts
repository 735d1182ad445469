import type { Mesh } from '../geometry/mesh'
import { type Cloud, cloudOf } from './cloud'
import { matchByAxes } from './axes'
import { type Match, ComparedShape } from './match'
import { type Similarity } from '../geometry/similarity'
import type { SurfaceFault } from './corners'
import { MeshesByContent } from './meshesByContent'

/** A mesh that may be a copy of another. */
export interface FoldItem {
  readonly name: string
  readonly mesh: Mesh
  /** The largest size at which it stands, so that the tolerance holds where it is seen. */
  readonly scale: number
  /** What must be equal beside the shape, as the look. */
  readonly kind: string
  /** The higher, the sooner it is taken as the one that the others become copies of. */
  readonly preference: number
  /** Where its surface goes by its own axes: a copy that is turned, or sized, would not look the same. */
  readonly keeps?: 'turn' | 'turn and size'
}

export interface FoldOptions {
  /** The largest distance by which a vertex may be off, in metres. Never more than a thousandth of the thing itself. */
  readonly tolerance: number
  /** All shapes are compared, or only those whose names differ by nothing but a number. */
  readonly by: 'geometry' | 'name'
  /** One size for all axes, or one along each of the mesh's own axes, for shapes that stand parallel. */
  readonly sizes: 'uniform' | 'axes'
}

export const foldDefaults: FoldOptions = { tolerance: 0.0001, by: 'geometry', sizes: 'uniform' }

export interface FoldGroup {
  /** The item that stays; the others become copies of it, or of its twin. */
  readonly reference: number
  readonly members: readonly { readonly item: number; readonly similarity: Similarity }[]
}

export interface NearMiss {
  readonly item: number
  readonly reference: number
  readonly deviation: number
  readonly fault: SurfaceFault | 'points'
}

export interface Folded {
  readonly groups: readonly FoldGroup[]
  readonly nearMisses: readonly NearMiss[]
}

/** Near misses that are told at the most. */
const MOST_NEAR_MISSES = 50

/** A name without what numbers it: "Bracket 12", "bracket_12" and "Bracket.012" have one stem. */
export const nameStem = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[\s._-]*(copy|left|right|[lr])?[\s._-]*\(?\d*\)?$/i, '')
    .trim() || name.toLowerCase()

/**
 * Finds which meshes are one shape: every mesh is compared with the shapes found so far, and starts a new one where none is
 * the same. Nothing is changed; see `ComparedShape.match` for what counts as the same.
 *
 * @param onProgress called with the share done, from 0 to 1
 * @example foldShapes(items, { ...foldDefaults, tolerance: 0.0005 })
 */
export function foldShapes(
  items: readonly FoldItem[],
  options: FoldOptions,
  onProgress: (share: number) => void = () => {},
): Folded {
  const groups: { reference: number; shape: ComparedShape; members: { item: number; similarity: Similarity }[] }[] = []
  const nearMisses: NearMiss[] = []
  const kindAt = (at: number): string => items[groups[at].reference].kind
  const order = items.map((_, i) => i).sort((a, b) => items[b].preference - items[a].preference || a - b)
  const contents = new MeshesByContent()
  const answers = new Map<Mesh, Answer[]>()
  for (const [n, i] of order.entries()) {
    const item = items[i]
    onProgress(n / items.length)
    // Asked to go by names, a mesh of its own is one, whatever it holds.
    const mesh = options.by === 'name' ? item.mesh : contents.firstLike(item.mesh)
    const known = answers.get(mesh) ?? []
    answers.set(mesh, known)
    const answer = known.find(
      ({ at, scale }) => kindAt(at) === item.kind && (scale === undefined || scale === item.scale),
    )
    if (answer) {
      groups[answer.at].members.push({ item: i, similarity: answer.similarity })
      continue
    }
    const cloud = cloudOf(item.mesh)
    const found = lookUp(item, cloud, items, groups, options)
    if (found.at !== undefined) {
      groups[found.at].members.push({ item: i, similarity: found.similarity })
      known.push({ at: found.at, similarity: found.similarity, scale: item.scale })
    } else {
      if (found.near && nearMisses.length < MOST_NEAR_MISSES) nearMisses.push({ item: i, ...found.near })
      known.push({ at: groups.length, similarity: unmoved })
      groups.push({ reference: i, shape: new ComparedShape(cloud), members: [] })
    }
  }
  onProgress(1)
  return {
    groups: groups.map(({ reference, members }) => ({ reference, members })),
    nearMisses: nearMisses.sort((a, b) => a.deviation - b.deviation),
  }
}

/** What a mesh was found to be a copy of. */
interface Answer {
  readonly at: number
  readonly similarity: Similarity
  /** The size at which it was asked, where that mattered: what is seen larger may be off by less. */
  readonly scale?: number
}

const unmoved: Similarity = { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1], mirrored: false, deviation: 0 }

/** With so many shapes a thing is compared loosely, to tell which it nearly is. */
const NEAR_TRIES = 4

const nearer = (
  before: Omit<NearMiss, 'item'> | undefined,
  reference: number,
  { deviation, fault }: Extract<Match, { kind: 'near' }>,
  scale: number,
): Omit<NearMiss, 'item'> =>
  before && before.deviation <= deviation * scale ? before : { reference, deviation: deviation * scale, fault }

type LookedUp =
  | { readonly at: number; readonly similarity: Similarity }
  | { readonly at?: undefined; readonly near?: Omit<NearMiss, 'item'> }

function lookUp(
  item: FoldItem,
  cloud: Cloud,
  items: readonly FoldItem[],
  groups: readonly { readonly reference: number; readonly shape: ComparedShape }[],
  { tolerance, by, sizes }: FoldOptions,
): LookedUp {
  // In the mesh's own metres, and never so much that small things would all be alike.
  const within = Math.min(tolerance / item.scale, 0.002 * cloud.spread)
  let near: Omit<NearMiss, 'item'> | undefined
  const alike: number[] = []
  for (const [at, { reference, shape }] of groups.entries()) {
    if (items[reference].kind !== item.kind) continue
    if (by === 'name' && nameStem(items[reference].name) !== nameStem(item.name)) continue
    let match: Match = item.keeps ? shape.matchUnturned(cloud, within) : shape.match(cloud, within)
    if (match.kind === 'same' && item.keeps === 'turn and size' && match.similarity.size[0] !== 1) continue
    if (match.kind !== 'same' && sizes === 'axes' && item.keeps !== 'turn and size') {
      const stretched = matchByAxes(shape.cloud, cloud, within)
      if (stretched) match = { kind: 'same', similarity: stretched }
    }
    if (match.kind === 'same') {
      const { similarity } = match
      return { at, similarity: { ...similarity, deviation: similarity.deviation * item.scale } }
    }
    if (match.kind === 'near') near = nearer(near, reference, match, item.scale)
    else alike.push(at)
  }
  // None is the same: which is nearly?
  for (const at of near ? [] : alike.slice(0, NEAR_TRIES)) {
    const match = groups[at].shape.nearness(cloud, within)
    if (match.kind === 'near') near = nearer(near, groups[at].reference, match, item.scale)
  }
  return near ? { near } : {}
}
