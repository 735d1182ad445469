import { withLots } from '../deal/edits'
import { definitionOf } from '../layouts/index'
import type { Relinked } from '../layouts/definition'
import { partWithParts, withParts } from '../model/references'
import { glbBytes } from '../writers/glb/size'
import type { Part } from '../model/part'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Vec3 } from '../values/values'
import { freeName } from '../names'
import { type PartSource, partMesh } from '../parts/partMesh'
import { rotate } from '../geometry/rotation'
import { boxAround, sizeOfBox } from '../geometry/box'
import type { Mesh } from '../geometry/mesh'
import { type FoldItem, type FoldOptions, foldShapes, nameStem } from '../shapes/fold'
import type { Similarity } from '../geometry/similarity'
import { type Uses, canJoin, usesOf } from './foldUses'
import type { SurfaceFault } from '../shapes/corners'

export interface FoldedPart {
  readonly name: string
  /** Copies of the part itself, and of its twin, after the fold. */
  readonly copies: number
  readonly twinCopies: number
  /** Parts that were joined into it. */
  readonly joined: number
  /** Whether their names told it already, or only their geometry. */
  readonly by: 'name' | 'geometry'
  /** The largest distance by which a vertex moves, in metres. */
  readonly deviation: number
  readonly triangles: number
}

export interface FoldReport {
  readonly partsBefore: number
  readonly partsAfter: number
  readonly copies: number
  readonly twins: number
  readonly worstDeviation: number
  /** Triangles that have to be kept, each mesh once. */
  readonly trianglesBefore: number
  readonly trianglesAfter: number
  /** What a file of it takes, about, with a node for every copy. */
  readonly bytesBefore: number
  readonly bytesAfter: number
  readonly parts: readonly FoldedPart[]
  readonly nearMisses: readonly {
    readonly name: string
    readonly like: string
    readonly deviation: number
    readonly fault: SurfaceFault | 'points' | 'place'
  }[]
}

export interface ProjectFold extends Pick<Project, 'parts' | 'patterns' | 'ignored'> {
  readonly report: FoldReport
}

/**
 * Turns parts that are one shape into one part and linked copies: the places of the others take it over, moved, turned and
 * sized so that every vertex stays where it was within the tolerance; mirror images become copies of its twin. Names, groups
 * and looks stay; parts of different looks are not joined. Nothing is changed in what is given.
 *
 * A part that is dealt, nested or touched up has no place that could take up a move: it joins others only where it lies
 * exactly as they do, and otherwise the others join it.
 *
 * @param newId makes an id that no one else has, for twins
 */
export function foldProject(
  project: Project,
  source: PartSource,
  options: FoldOptions,
  newId: (kind: string) => string,
  onProgress: (share: number) => void = () => {},
): ProjectFold {
  const { parts } = project
  const uses = usesOf(project)
  const candidates: { part: Part; mesh: Mesh }[] = []
  // What lies under the arrangement has no place that could take up a move.
  const under = new Set(project.grounds.flatMap(({ shape }) => (shape.kind === 'part' ? [shape.part] : [])))
  for (const part of parts) {
    if (under.has(part.id)) continue
    if (part.shape.kind === 'assembly' || part.shape.kind === 'light' || part.shape.kind === 'placeholder') continue
    const mesh = partMesh(part, source)
    if (mesh && mesh.indices.length > 0) candidates.push({ part, mesh })
  }
  const items = candidates.map(({ part, mesh }): FoldItem => ({
    name: part.name,
    mesh,
    scale: uses.largest.get(part.id) ?? 1,
    kind: kindOf(part, uses),
    preference: preferenceOf(part, mesh, uses),
    ...keepsOf(part),
  }))
  const { groups, nearMisses } = foldShapes(items, options, onProgress)

  const replaced = new Map<string, Relinked>()
  const kept = new Map(parts.map((part) => [part.id, part]))
  const made: Part[] = []
  const taken = new Set(parts.map((p) => p.name.toLowerCase()))
  const found: FoldedPart[] = []
  const misses: FoldReport['nearMisses'][number][] = nearMisses.map(({ item, reference, deviation, fault }) => ({
    name: candidates[item].part.name,
    like: candidates[reference].part.name,
    deviation,
    fault,
  }))

  for (const { reference, members } of groups) {
    const { part, mesh } = candidates[reference]
    const together = new Set([part.id, ...members.map(({ item }) => candidates[item].part.id)])
    // A twin that was not found with its part goes by that part as it is: then the part can neither move nor be moved.
    const still = (id: string): boolean =>
      uses.fixed.has(id) || parts.some((p) => p.shape.kind === 'twin' && p.shape.of === id && !together.has(p.id))
    const joining = members.filter(({ item, similarity }) => {
      const other = candidates[item].part
      const fits = canJoin(other.id, similarity, still(other.id), uses)
      if (!fits) misses.push({ name: other.name, like: part.name, deviation: similarity.deviation, fault: 'place' })
      return fits
    })
    if (joining.length === 0) continue
    const byName = joining.every(({ item }) => nameStem(items[item].name) === nameStem(part.name))
    const name = byName ? withoutNumber(part.name, taken) : part.name
    taken.add(name.toLowerCase())
    kept.set(part.id, { ...part, name })
    const pivot = still(part.id) ? undefined : newPivot(part, mesh)
    if (pivot) {
      kept.set(part.id, { ...part, name, frame: { pivot, up: 'top', front: 'front' } })
      replaced.set(part.id, { by: part.id, similarity: { ...unmoved, move: pivot } })
    }
    // The twin of a part that is its own mirror image joins it as any copy does.
    const joins = (id: string): boolean =>
      joining.some(({ item, similarity }) => candidates[item].part.id === id && !similarity.mirrored)
    let twin = parts.find((p) => p.shape.kind === 'twin' && p.shape.of === part.id && !joins(p.id))
    let [copies, twinCopies] = [uses.copies.get(part.id) ?? 0, twin ? (uses.copies.get(twin.id) ?? 0) : 0]
    for (const { item, similarity } of joining) {
      const { part: other } = candidates[item]
      if (other.shape.kind === 'twin' && other.shape.of === part.id && similarity.mirrored) {
        // The part's own twin stays what it is; with the part it takes over the new pivot.
        if (pivot)
          replaced.set(other.id, { by: other.id, similarity: { ...unmoved, move: [-pivot[0], pivot[1], pivot[2]] } })
        continue
      }
      if (similarity.mirrored && !twin) {
        const twinName = freeName(`${name.slice(0, 70)} twin`, taken)
        taken.add(twinName.toLowerCase())
        twin = { id: newId('part'), name: twinName, shape: { kind: 'twin', of: part.id }, look: part.look }
        made.push(twin)
      }
      const to = similarity.mirrored ? twin! : part
      replaced.set(other.id, { by: to.id, similarity: pivot ? fromPivot(similarity, pivot) : similarity })
      kept.delete(other.id)
      if (similarity.mirrored) twinCopies += uses.copies.get(other.id) ?? 0
      else copies += uses.copies.get(other.id) ?? 0
    }
    found.push({
      name,
      copies,
      twinCopies,
      joined: joining.length,
      by: byName ? 'name' : 'geometry',
      deviation: joining.reduce((most, { similarity }) => Math.max(most, similarity.deviation), 0),
      triangles: mesh.indices.length / 3,
    })
  }

  const now = (id: string): string => replaced.get(id)?.by ?? id
  const after = [
    ...parts
      .flatMap((part) => kept.get(part.id) ?? [])
      .map((part) => partWithParts(part, now))
      .map(variantsOnce),
    ...made,
  ]
  const all: PartSource = { ...source, parts: [...parts, ...made] }
  const meshesOf = (list: readonly Part[]): Mesh[] => list.flatMap((part) => partMesh(part, all) ?? [])
  const triangles = (list: readonly Mesh[]): number => list.reduce((n, mesh) => n + mesh.indices.length / 3, 0)
  const [meshesBefore, meshesAfter] = [meshesOf(parts), meshesOf(after)]
  const copies = [...uses.copies.values()].reduce((n, c) => n + c, 0)
  return {
    report: {
      partsBefore: parts.length,
      partsAfter: after.length,
      copies,
      twins: after.filter((p) => p.shape.kind === 'twin').length,
      worstDeviation: found.reduce((most, f) => Math.max(most, f.deviation), 0),
      trianglesBefore: triangles(meshesBefore),
      trianglesAfter: triangles(meshesAfter),
      bytesBefore: glbBytes(meshesBefore, copies, 'linked'),
      bytesAfter: glbBytes(meshesAfter, copies, 'linked'),
      parts: found.sort((a, b) => b.copies + b.twinCopies - a.copies - a.twinCopies),
      nearMisses: misses,
    },
    parts: after,
    patterns: project.patterns.map((pattern) => rewritten(pattern, replaced, now)),
    // What was found of a part that is no more is not to be found again.
    ignored: project.ignored.filter(({ about }) => about.every((id) => now(id) === id)),
  }
}

const unmoved: Similarity = { move: [0, 0, 0], turn: [0, 0, 0, 1], size: [1, 1, 1], mirrored: false, deviation: 0 }

/** One of many numbered things that stands for all of them loses its number, where the name is free. */
function withoutNumber(name: string, taken: ReadonlySet<string>): string {
  const stem = name.replace(/[\s._-]*\(?\d+\)?$/, '')
  return stem && !taken.has(stem.toLowerCase()) ? stem : name
}

/** What may differ between two parts that are joined: what names them, and what makes their mesh, which is compared. */
const OF_ITS_OWN: readonly string[] = ['id', 'name', 'shape', 'form', 'frame', 'chances', 'variation']

/** All else must be equal, what parts are yet to have too. What varies by itself would draw other chances as another part. */
const kindOf = (part: Part, { named }: Uses): string =>
  JSON.stringify([
    named.has(part.id) && part.id,
    Object.entries(part)
      .filter(([key, value]) => value !== undefined && !OF_ITS_OWN.includes(key))
      .toSorted(([a], [b]) => (a < b ? -1 : 1)),
    part.variation?.length && [part.variation, part.chances ?? part.id],
  ])

/** A picture laid on from the six sides lies otherwise on what is turned, and stripes are as wide on what is large. */
const keepsOf = ({ look: { picture, grain } }: Part): Pick<FoldItem, 'keeps'> =>
  grain ? { keeps: 'turn and size' } : picture ? { keeps: 'turn' } : {}

/** Parts that cannot move come first, then those that several places share, then those that stand straightest. */
function preferenceOf(part: Part, mesh: Mesh, { fixed, copies }: Uses): number {
  if (part.shape.kind === 'twin') return -2e9
  const box = boxAround(mesh.positions)
  const size = box ? sizeOfBox(box) : [0, 0, 0]
  const diagonal = Math.hypot(...size) || 1
  // A thing that stands straight fills the least box; thin things are kept comparable by a floor.
  const volume = size.reduce((v, s) => v * Math.max(s / diagonal, 1e-3), 1)
  return (fixed.has(part.id) ? 1e9 : 0) + 1e3 * Math.min(copies.get(part.id) ?? 0, 1e5) - volume
}

/** The middle of its base, for a part whose origin lies outside of it: baked things carry their scene's origin. */
function newPivot({ frame, shape, points }: Part, mesh: Mesh): Vec3 | undefined {
  if (frame || points?.length || shape.kind !== 'mesh') return undefined
  const box = boxAround(mesh.positions)
  if (!box) return undefined
  const { low, high } = box
  const size = sizeOfBox(box)
  const inside = [0, 1, 2].every((k) => low[k] - 0.1 * size[k] <= 1e-9 && high[k] + 0.1 * size[k] >= -1e-9)
  return inside ? undefined : [(low[0] + high[0]) / 2, low[1], (low[2] + high[2]) / 2]
}

/** The same similarity for a shape that has been moved to a new pivot. */
function fromPivot(s: Similarity, pivot: Vec3): Similarity {
  const at = rotate(s.turn, [
    (s.mirrored ? -pivot[0] : pivot[0]) * s.size[0],
    pivot[1] * s.size[1],
    pivot[2] * s.size[2],
  ])
  return { ...s, move: [0, 1, 2].map((k) => s.move[k] + at[k]) as Vec3 }
}

/** Variants that have become one are named once. */
const variantsOnce = (part: Part): Part =>
  part.variants ? { ...part, variants: [...new Set(part.variants)].filter((id) => id !== part.id) } : part

/** A pattern in which joined parts are what they joined, places of their own moved so that nothing that is seen moves. */
function rewritten(pattern: Pattern, replaced: ReadonlyMap<string, Relinked>, now: (id: string) => string): Pattern {
  const { layout, deal } = pattern
  const placed = definitionOf(layout).relinked?.(layout, (part) => replaced.get(part)) ?? layout
  const drawn = deal.parts.some((id) => now(id) !== id) ? withLots(deal) : deal
  const renamed = withParts({ ...pattern, layout: placed, deal: drawn }, now)
  return renamed.plain ? { ...renamed, plain: [...new Set(renamed.plain)] } : renamed
}
