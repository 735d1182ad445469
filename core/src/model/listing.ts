import { isIn } from './grouping'
import type { Project } from './project'

/** A place in the list of patterns and groups. */
export interface ListPlace {
  /** The group it lies in; at the top where it is absent. */
  readonly parent?: string
  /** Of its own kind, the one that comes after it there; it comes last where it is absent. */
  readonly before?: string
}

export const listSteps = ['up', 'down', 'in', 'out'] as const
/** One step of a thing in the list: among those beside it, into the group beside it, out of its own. */
export type ListStep = (typeof listSteps)[number]

interface Listed {
  readonly id: string
  readonly parent?: string
}
/** Those of one kind that lie in one group, in their order. */
const beside = (all: readonly Listed[], parent: string | undefined): string[] =>
  all.filter((own) => own.parent === parent).map(({ id }) => id)

/** Patterns as they lie in groups; what names a group that is not there is at the top. */
const listed = ({ patterns, groups }: Project): { patterns: Listed[]; groups: readonly Listed[] } => ({
  patterns: patterns.map(({ id, group }) => ({ id, ...(groups.some((g) => g.id === group) && { parent: group }) })),
  groups,
})

/**
 * Where a pattern or a group goes by one step in the list.
 *
 * @returns undefined where there is nothing on that side
 */
export function listStep(project: Project, id: string, step: ListStep): ListPlace | undefined {
  const { patterns, groups } = listed(project)
  const isGroup = groups.some((g) => g.id === id)
  const kind = isGroup ? groups : patterns
  const own = kind.find((other) => other.id === id)
  if (!own) return undefined
  const { parent } = own
  const row = beside(kind, parent)
  const at = row.indexOf(id)
  const inside = parent === undefined ? {} : { parent }
  if (step === 'up') return at > 0 ? { ...inside, before: row[at - 1] } : undefined
  if (step === 'down') {
    const before = row[at + 2]
    return at + 1 < row.length ? { ...inside, ...(before !== undefined && { before }) } : undefined
  }
  if (step === 'in') {
    // A group goes into the one above it; a pattern into the nearest: below it in a group, above it at the top.
    const near = beside(groups, parent)
    const into = isGroup ? near[near.indexOf(id) - 1] : near[parent === undefined ? near.length - 1 : 0]
    return into === undefined ? undefined : { parent: into }
  }
  if (parent === undefined) return undefined
  const out = groups.find((g) => g.id === parent)?.parent
  const rest = beside(groups, out)
  // To what is nearest: a group after the one it was in; a pattern to the last ones of a group, which come first in it, or the top's first.
  const before = isGroup
    ? rest[rest.indexOf(parent) + 1]
    : out === undefined
      ? beside(patterns, undefined)[0]
      : undefined
  return { ...(out !== undefined && { parent: out }), ...(before !== undefined && { before }) }
}

/** Whether a thing may go there: a group does not lie in itself. */
export const canPlaceInList = ({ groups }: Project, id: string, { parent }: ListPlace): boolean =>
  !isIn(groups, parent, id)

/**
 * Puts a pattern or a group into a place of the list. Nothing moves on the stage: order and groups tell how things are listed, picked and
 * written, not where they stand. In place.
 *
 * @throws where a group would lie in itself
 */
export function placeInList(project: Project, id: string, place: ListPlace): void {
  if (!canPlaceInList(project, id, place)) throw new Error('a group cannot lie in itself')
  const { parent, before } = place
  const pattern = project.patterns.find((p) => p.id === id)
  if (pattern) {
    if (parent === undefined) delete pattern.group
    else pattern.group = parent
    project.patterns = reordered(project.patterns, id, before)
  }
  const group = project.groups.find((g) => g.id === id)
  if (group) {
    if (parent === undefined) delete group.parent
    else group.parent = parent
    project.groups = reordered(project.groups, id, before)
  }
}

/** One of them before another, or last; the very same where that is where it is. */
function reordered<T extends { readonly id: string }>(all: T[], id: string, before: string | undefined): T[] {
  if (before === id) return all
  const rest = all.filter((own) => own.id !== id)
  const found = before === undefined ? -1 : rest.findIndex((own) => own.id === before)
  const at = found < 0 ? rest.length : found
  const own = all.findIndex((other) => other.id === id)
  return own === at ? all : [...rest.slice(0, at), all[own], ...rest.slice(at)]
}
