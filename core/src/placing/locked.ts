import type { Project } from '../model/project'
import type { Placeable } from './body'

/** The name of the first thing that is locked itself, by its group, or by its part; undefined where none is. */
export function isLocked({ patterns, groups }: Project, things: readonly Placeable[]): string | undefined {
  const locked = new Map<string, string>()
  const byGroup = (id: string | undefined): string | undefined => {
    const group = groups.find((g) => g.id === id)
    return group && (group.locked ? group.name : byGroup(group.parent))
  }
  for (const { id, name, group, locked: own } of patterns) {
    const by = own ? name : byGroup(group)
    if (by !== undefined) locked.set(id, by)
  }
  if (locked.size === 0) return undefined
  for (const of of things) {
    const by = (of.is === 'copy' ? [of.pattern] : of.ids).map((id) => locked.get(id)).find((n) => n !== undefined)
    if (by !== undefined) return by
  }
  return undefined
}
