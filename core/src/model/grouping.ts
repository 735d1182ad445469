import { freeName } from '../names'
import type { Group, Project } from './project'

/** Whether a group is another one, or lies inside it. */
export function isIn(groups: readonly Group[], id: string | undefined, other: string): boolean {
  for (let at = id, n = 0; at !== undefined && n <= groups.length; n++) {
    if (at === other) return true
    at = groups.find((g) => g.id === at)?.parent
  }
  return false
}

/** A group and those that it lies in, from itself outward; none where it is not there. */
export function groupsOf({ groups }: Pick<Project, 'groups'>, id: string | undefined): Group[] {
  const found: Group[] = []
  for (let at = id; at !== undefined && found.length <= groups.length; at = found.at(-1)!.parent) {
    const group = groups.find((g) => g.id === at)
    if (!group) break
    found.push(group)
  }
  return found
}

/** The patterns in a group, also in the groups inside it. */
export const patternsIn = ({ patterns, groups }: Project, group: string): string[] =>
  patterns.filter((p) => isIn(groups, p.group, group)).map((p) => p.id)

/**
 * Puts patterns and groups into a new group, which takes their place where all of them lie in one group; at the top elsewhere.
 * Nothing moves. In place.
 *
 * @param ids of patterns and groups; what lies inside one of them comes along
 */
export function makeGroup(project: Project, ids: readonly string[], id: string, wanted: string): void {
  const { groups, patterns } = project
  const inside = (own: string): string | undefined =>
    groups.find((g) => g.id === own)?.parent ?? patterns.find((p) => p.id === own)?.group
  // What comes along with a picked group stays in it.
  const picked = ids.filter((own) => !ids.some((other) => other !== own && isIn(groups, inside(own), other)))
  const parents = new Set(picked.map(inside))
  const [parent] = parents.size === 1 ? parents : []
  const name = freeName(
    wanted,
    groups.map((g) => g.name),
  )
  groups.push({ id, name, ...(parent !== undefined && { parent }) })
  for (const pattern of patterns) if (picked.includes(pattern.id)) pattern.group = id
  for (const group of groups) if (picked.includes(group.id)) group.parent = id
}

/** Takes a group apart: what is in it goes to where the group was. Nothing moves. In place. */
export function takeApart(project: Project, id: string): void {
  const { parent } = project.groups.find((g) => g.id === id) ?? {}
  for (const pattern of project.patterns)
    if (pattern.group === id) {
      if (parent === undefined) delete pattern.group
      else pattern.group = parent
    }
  for (const group of project.groups)
    if (group.parent === id) {
      if (parent === undefined) delete group.parent
      else group.parent = parent
    }
  project.groups = project.groups.filter((g) => g.id !== id)
}

/** The name of what locks a pattern: itself, or a group that it is in; undefined where it is free. */
export function lockOf({ patterns, groups }: Project, id: string): string | undefined {
  const pattern = patterns.find((p) => p.id === id)
  if (!pattern || pattern.locked) return pattern?.name
  return groupsOf({ groups }, pattern.group).find(({ locked }) => locked)?.name
}
