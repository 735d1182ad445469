import type { Convex } from '../clearing/convex'
import { crowdIn } from '../evaluation/crowd'
import type { PatternOutcome } from '../evaluate'
import { inAxes } from '../evaluation/inAxes'
import { type InstanceTable } from '../instances'
import type { MirrorThings } from '../mirror/hands'
import { Taken } from '../mirror/taken'
import type { Project } from '../model/project'
import type { PartSource } from '../parts/partMesh'

/** Something that is wrong with an arrangement, in figures, and the copies that it is about. */
export interface Finding {
  readonly kind: 'overlaps' | 'coincident'
  /** The pattern that it is told of. */
  readonly pattern: string
  readonly count: number
  /** The deepest overlap, in metres. */
  readonly worst: number
  /** Rows of that pattern's own table. */
  readonly rows: readonly number[]
}

/** Patterns of more copies are not compared: that would take seconds. */
export const MOST_CHECKED = 20_000

/**
 * Looks through what is shown for copies that overlap others of their pattern, and for copies that stand exactly on another
 * one of any pattern, the worst first.
 */
export function findingsOf(
  project: Project,
  outcomes: readonly PatternOutcome[],
  shapeOf: (thing: number) => Convex | undefined,
  things: Pick<MirrorThings, 'middleOf' | 'turnsOntoItself'>,
  source: PartSource,
): Finding[] {
  const found: Finding[] = []
  const taken = new Taken(things)
  for (const [i, { id, hidden, place, edges }] of project.patterns.entries()) {
    const { table, expanded, owner } = outcomes[i]
    if (hidden || table.count > MOST_CHECKED) continue
    const doubled = coincident(inAxes(expanded, place), taken)
    if (doubled.length > 0)
      found.push({
        kind: 'coincident',
        pattern: id,
        count: doubled.length,
        worst: 0,
        rows: [...new Set(doubled.map((k) => (owner ? owner[k] : k)))],
      })
    const { overlaps } = crowdIn(table, shapeOf, edges === 'mesh' ? source : undefined)
    if (overlaps.length > 0)
      found.push({
        kind: 'overlaps',
        pattern: id,
        count: overlaps.length,
        worst: overlaps[0].depth,
        rows: [...new Set(overlaps.flatMap(({ first, second }) => [first, second]))],
      })
  }
  // Copies that stand on others are there for nothing: they come first, then the deepest overlaps.
  return found.sort((a, b) => Number(b.kind === 'coincident') - Number(a.kind === 'coincident') || b.worst - a.worst)
}

/** The rows that stand on a copy that was there before. */
function coincident(table: InstanceTable, taken: Taken): number[] {
  const doubled: number[] = []
  for (let k = 0; k < table.count; k++) {
    if (!table.isPresent(k)) continue
    if (taken.has(table, k)) doubled.push(k)
    else taken.add(table, k)
  }
  return doubled
}
