import { leadingPatterns } from '../evaluation/leading'
import { definitionOf } from '../layouts/index'
import { isIn, patternsIn } from '../model/grouping'
import type { Pattern } from '../model/pattern'
import type { Group, Project } from '../model/project'
import { thingsUsed } from '../model/references'
import { type Step, inPhases, stepDefinitionOf } from '../steps/index'

type Grouped = Pick<Project, 'patterns' | 'groups'>

/** The group whose patterns share a step of one of them: what is changed of it there is changed in all of them. */
export function sharingGroup({ patterns, groups }: Grouped, patternId: string, stepId: string): Group | undefined {
  const pattern = patterns.find((p) => p.id === patternId)
  return groups.find((group) => group.steps?.includes(stepId) && isIn(groups, pattern?.group, group.id))
}

/** The patterns that have a step together, in their order; the pattern alone where it shares it with none. */
export function sharersOf(project: Grouped, patternId: string, stepId: string): Pattern[] {
  const group = sharingGroup(project, patternId, stepId)
  return project.patterns.filter(
    (p) =>
      p.id === patternId || (group && isIn(project.groups, p.group, group.id) && p.steps.some((s) => s.id === stepId)),
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
 * patterns are left in each other. In place.
 *
 * Steps of the group itself, applied to one table of all its patterns, were thought of first: nothing of a pattern could be worked out
 * without all others then, and one that is taken out of the group would stand elsewhere.
 */
export function giveToGroup(project: Project, groupId: string, step: Step): void {
  const group = project.groups.find((g) => g.id === groupId)
  if (!group) return
  const before: string[] = []
  for (const pattern of inOrder(takersOf(project, groupId), project)) {
    const own = structuredClone(step)
    stepDefinitionOf(own).setFrom?.(own, before)
    const sorted = inPhases([...pattern.steps, own])
    pattern.steps.splice(sorted.indexOf(own), 0, own)
    before.push(pattern.id)
  }
  group.steps = [...(group.steps ?? []), step.id]
}

/**
 * Gives all who share steps with a pattern those steps as that pattern has them now; from whom they keep clear stays each one's own. To be
 * called once steps of a pattern were changed. In place.
 */
export function spreadShared(project: Grouped, patternId: string): void {
  for (const step of project.patterns.find((p) => p.id === patternId)?.steps ?? [])
    for (const { id, steps } of sharersOf(project, patternId, step.id)) {
      if (id === patternId) continue
      const at = steps.findIndex((s) => s.id === step.id)
      // What is changed may be a draft, which takes no structured clone.
      const now = JSON.parse(JSON.stringify(step)) as Step
      const { from, setFrom } = stepDefinitionOf(now)
      if (from) setFrom?.(now, from(steps[at]))
      steps[at] = now
    }
}

/** Lets all who share a step have it each on its own: nothing moves, and what is changed in one stays there. In place. */
export function partShared(project: Grouped, patternId: string, stepId: string): void {
  const group = sharingGroup(project, patternId, stepId)
  if (!group) return
  group.steps = group.steps!.filter((id) => id !== stepId)
  if (group.steps.length === 0) delete group.steps
}
