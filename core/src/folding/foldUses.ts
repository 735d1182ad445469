import { definitionOf } from '../layouts/index'
import { partsInside } from '../model/part'
import { referencesOf } from '../model/references'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import type { Similarity } from '../geometry/similarity'

/** How parts are used, as far as that settles whether and how they can be joined. */
export interface Uses {
  /** How many copies of each part stand on places of their own or are dealt, as far as the document tells. */
  readonly copies: Map<string, number>
  /** The largest size of each part on places of its own. */
  readonly largest: Map<string, number>
  /** Parts that are used where a place could not take up a move. */
  readonly fixed: Set<string>
  /** Parts that stand somewhere in unequal sizes. */
  readonly uneven: Set<string>
  /** Parts of which something is said by name that is not said of others: how they fit, how they are mirrored, what stands in for them. */
  readonly named: Set<string>
}

export function usesOf(project: Project): Uses {
  const { parts, patterns } = project
  const named = new Set(parts.flatMap(({ variants = [] }) => variants))
  const isRestedOn = restedOnIn(project)
  const copies = new Map<string, number>()
  const largest = new Map<string, number>()
  const fixed = new Set<string>()
  const uneven = new Set<string>()
  for (const pattern of patterns) {
    const { layout } = pattern
    const definition = definitionOf(layout)
    const own = definition.ownParts?.(layout) ?? []
    const takesMoves = areAllOfIt(pattern) && !isRestedOn(pattern)
    for (const { part, size } of own) {
      copies.set(part, (copies.get(part) ?? 0) + 1)
      largest.set(part, Math.max(largest.get(part) ?? 0, ...size))
      if (size[0] !== size[1] || size[1] !== size[2]) uneven.add(part)
      if (!takesMoves) fixed.add(part)
    }
    // Whatever else names a part has no place that could take up a move.
    const standing = new Set(own.map(({ part }) => part))
    const deals = definition.deals?.(layout) ?? true
    for (const { to, id, path, takes } of referencesOf(pattern)) {
      if (takes === 'aside') named.add(id)
      if (to !== 'thing' || (path[0] === 'layout' && standing.has(id))) continue
      if (path[0] !== 'deal' || deals) fixed.add(id)
    }
  }
  for (const part of parts) {
    const inner = part.shape.kind === 'assembly' ? partsInside(part) : []
    for (const id of [...inner, ...(part.variants ?? [])]) fixed.add(id)
  }
  // A part whose twin cannot move stays itself where it is.
  for (const { id, shape } of parts) if (shape.kind === 'twin' && (fixed.has(id) || uneven.has(id))) fixed.add(shape.of)
  return { copies, largest, fixed, uneven, named }
}

/** Tells whether others rest on a pattern: on itself, on a group that it is in, or on a saved selection of its copies. */
function restedOnIn({ patterns, groups, sets }: Project): (pattern: Pattern) => boolean {
  const named = new Set<string>()
  for (const pattern of patterns)
    for (const { id, path } of referencesOf(pattern)) if (id !== pattern.id && path[0] !== 'group') named.add(id)
  for (const { id, copies } of sets) if (named.has(id)) for (const pattern of Object.keys(copies)) named.add(pattern)
  const isNamed = (group: string | undefined): boolean =>
    group !== undefined && (named.has(group) || isNamed(groups.find(({ id }) => id === group)?.parent))
  return ({ id, group }) => named.has(id) || isNamed(group)
}

/** Whether nothing but its places says where the copies of a pattern stand: steps, touch-ups and motion go by pivots, which another part has elsewhere. */
const areAllOfIt = ({ steps, touchUps, motion = [], baseline }: Pattern): boolean =>
  steps.length === 0 && Object.keys(touchUps).length === 0 && motion.length === 0 && !baseline

/** Whether the places of a part can take another over. */
export function canJoin(id: string, s: Similarity, still: boolean, { uneven }: Uses): boolean {
  const lies =
    Math.hypot(...s.move) < 1e-7 && Math.abs(s.turn[3]) > 1 - 1e-12 && s.size.every((n) => Math.abs(n - 1) < 1e-6)
  const same = lies && !s.mirrored
  if (still) return same
  // An unequal size above a turn would lean.
  return same || !uneven.has(id) || Math.abs(s.turn[3]) > 1 - 1e-12
}
