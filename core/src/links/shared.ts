import { leadingPatterns } from '../evaluation/leading'
import { definitionOf } from '../layouts/index'
import { isIn, patternsIn } from '../model/grouping'
import type { Movement } from '../motion/index'
import type { Pattern } from '../model/pattern'
import type { Group, Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { type Step, inPhases, stepDefinitionOf } from '../steps/index'

type Grouped = Pick<Project, 'patterns' | 'groups'>
/** What the patterns of a group may have together: steps, or movements. */
export type Shareable = 'steps' | 'motion'
const has = (pattern: Pattern, id: string, of: Shareable): boolean => (pattern[of] ?? []).some((own) => own.id === id)

/** The group whose patterns share a step or a movement of one of them: what is changed of it there is changed in all of them. */
export function sharingGroup(
  { patterns, groups }: Grouped,
  patternId: string,
  id: string,
  of: Shareable,
): Group | undefined {
  const pattern = patterns.find((p) => p.id === patternId)
  return groups.find((group) => group[of]?.includes(id) && isIn(groups, pattern?.group, group.id))
}

/** The patterns that have a step or a movement together, in their order; the pattern alone where it shares it with none. */
export function sharersOf(project: Grouped, patternId: string, id: string, of: Shareable): Pattern[] {
  const group = sharingGroup(project, patternId, id, of)
  return project.patterns.filter(
    (p) => p.id === patternId || (group && isIn(project.groups, p.group, group.id) && has(p, id, of)),
  )
}

/** Whether a pattern only follows others in a group: a companion of one of them, or their mirror image. */
function follows({ layout }: Pattern, inside: readonly string[], { groups }: Grouped, group: string): boolean {
  const definition = definitionOf(layout)
  const host = definition.host?.(layout)
  if (host !== undefined) return inside.includes(host)
  const { sources } = definition.images?.(layout) ?? {}
  const isInside = ({ kind, id }: { kind: string; id: string }): boolean =>
    kind === 'group' ? isIn(groups as Group[], id, group) : kind === 'pattern' && inside.includes(id)
  return sources?.every(isInside) ?? false
}

/** The patterns of a group that get a step for all of it: those that only follow others in it go along with them. */
export function takersOf(project: Project, group: string): Pattern[] {
  const inside = patternsIn(project, group)
  return project.patterns.filter((p) => inside.includes(p.id) && !follows(p, inside, project, group))
}

/** Patterns so ordered that whoever goes by another one comes after it; as they were where neither does. */
function inOrder(patterns: readonly Pattern[], project: Project): Pattern[] {
  const sorted: Pattern[] = []
  const seen = new Set<string>()
  const visit = (pattern: Pattern): void => {
    if (seen.has(pattern.id)) return
    seen.add(pattern.id)
    for (const id of [...leadingPatterns(pattern, project), ...thingsUsed(pattern)]) {
      const leading = project.patterns.find((p) => p.id === id)
      if (leading) visit(leading)
    }
    if (patterns.includes(pattern)) sorted.push(pattern)
  }
  for (const pattern of patterns) visit(pattern)
  return sorted
}

/**
 * Gives one step to all patterns of a group, at the end of its phase in each: each has it, and what is changed of it in one is changed in
 * all. From whom a step keeps clear is each pattern's own: from those of the group that are worked out before it, so that no two of its
 * patterns are left in each other. Those that have it already keep it, and keep clear of those as well that are new before them. In place.
 *
 * Steps of the group itself, applied to one table of all its patterns, were thought of first: nothing of a pattern could be worked out
 * without all others then, and one that is taken out of the group would stand elsewhere.
 */
export function giveStepToGroup(project: Project, groupId: string, step: Step): void {
  const before: string[] = []
  const added: string[] = []
  for (const pattern of inOrder(takersOf(project, groupId), project)) {
    const known = pattern.steps.find((s) => s.id === step.id)
    if (known) {
      const { from, setFrom } = stepDefinitionOf(known)
      if (from) setFrom?.(known, [...new Set([...from(known), ...added])])
    } else {
      const own = copyOf(step)
      stepDefinitionOf(own).setFrom?.(own, before)
      const sorted = inPhases([...pattern.steps, own])
      pattern.steps.splice(sorted.indexOf(own), 0, own)
      added.push(pattern.id)
    }
    before.push(pattern.id)
  }
  share(project, groupId, step.id, 'steps')
}

/** Gives one movement to all patterns of a group, after those that each has: their copies come in one row then. In place. */
export function giveMovementToGroup(project: Project, groupId: string, movement: Movement): void {
  for (const pattern of takersOf(project, groupId))
    if (!has(pattern, movement.id, 'motion')) pattern.motion = [...(pattern.motion ?? []), copyOf(movement)]
  share(project, groupId, movement.id, 'motion')
}

function share({ groups }: Grouped, groupId: string, id: string, of: Shareable): void {
  const group = groups.find((g) => g.id === groupId)
  if (group && !group[of]?.includes(id)) group[of] = [...(group[of] ?? []), id]
}

/** What is copied may be a draft, which takes no structured clone. */
const copyOf = <T>(one: T): T => JSON.parse(JSON.stringify(one)) as T

/**
 * Gives all who share steps and movements with a pattern those as that pattern has them now; from whom they keep clear stays each one's
 * own. To be called once they were changed in one pattern. In place.
 */
export function spreadShared(project: Grouped, patternId: string): void {
  const pattern = project.patterns.find((p) => p.id === patternId)
  const others = (id: string, of: Shareable): Pattern[] =>
    sharersOf(project, patternId, id, of).filter((p) => p.id !== patternId)
  for (const step of pattern?.steps ?? [])
    for (const { steps } of others(step.id, 'steps')) {
      const at = steps.findIndex((s) => s.id === step.id)
      const now = copyOf(step)
      const { from, setFrom } = stepDefinitionOf(now)
      if (from) setFrom?.(now, from(steps[at]))
      steps[at] = now
    }
  for (const movement of pattern?.motion ?? [])
    for (const other of others(movement.id, 'motion'))
      other.motion = other.motion!.map((own) => (own.id === movement.id ? copyOf(movement) : own))
}

/** Lets all who share a step or a movement have it each on its own: nothing else changes, and what is changed in one stays there. In place. */
export function partShared(project: Grouped, patternId: string, id: string, of: Shareable): void {
  const group = sharingGroup(project, patternId, id, of)
  if (!group) return
  group[of] = group[of]!.filter((own) => own !== id)
  if (group[of].length === 0) delete group[of]
}
