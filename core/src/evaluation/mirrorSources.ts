import { definitionOf } from '../layouts/index'
import type { MirrorSource } from '../values/reflection'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'

/** A pattern that is mirrored, all of it or only the copies of these slots. */
export interface SourcePattern {
  readonly pattern: Pattern
  readonly slots?: readonly string[]
}

/** The patterns that sources come to, each once; a mirror is never among its own. */
export function sourcePatterns(
  sources: readonly MirrorSource[],
  project: Pick<Project, 'patterns' | 'groups' | 'sets'>,
  own: string,
): SourcePattern[] {
  const found = new Map<string, SourcePattern>()
  const add = (pattern: Pattern | undefined, slots?: readonly string[]): void => {
    if (!pattern || pattern.id === own) return
    const before = found.get(pattern.id)
    if (!before) found.set(pattern.id, slots ? { pattern, slots } : { pattern })
    else if (!slots) found.set(pattern.id, { pattern })
    else if (before.slots) found.set(pattern.id, { pattern, slots: [...before.slots, ...slots] })
  }
  for (const { kind, id } of sources) {
    if (kind === 'pattern') add(project.patterns.find((p) => p.id === id))
    else if (kind === 'group') for (const p of project.patterns) if (isUnder(p.group, id, project)) add(p)
    if (kind !== 'set') continue
    const copies = project.sets.find((s) => s.id === id)?.copies ?? {}
    for (const p of project.patterns) if (copies[p.id]?.length) add(p, copies[p.id])
  }
  return [...found.values()]
}

function isUnder(group: string | undefined, above: string, { groups }: Pick<Project, 'groups'>): boolean {
  const seen = new Set<string>()
  for (let id = group; id !== undefined && !seen.has(id); id = groups.find((g) => g.id === id)?.parent) {
    if (id === above) return true
    seen.add(id)
  }
  return false
}

/** Which copies mirrors that are shown have moved across: by pattern, all of it where it says so. */
export function movedAcross(project: Project): ReadonlyMap<string, readonly (readonly string[] | 'all')[]> {
  const moved = new Map<string, (readonly string[] | 'all')[]>()
  for (const { id, layout, hidden } of project.patterns) {
    const images = definitionOf(layout).images?.(layout)
    if (!images?.away || hidden) continue
    for (const { pattern, slots } of sourcePatterns(images.sources, project, id))
      moved.set(pattern.id, [...(moved.get(pattern.id) ?? []), slots ?? 'all'])
  }
  return moved
}

/** The mirrors that have moved copies of a pattern across, with whether each took along one that goes with them. */
function awayMirrors(host: string, project: Project, follower: string): { mirror: Pattern; both: boolean }[] {
  return project.patterns.flatMap((mirror) => {
    const images = mirror.id === follower ? undefined : definitionOf(mirror.layout).images?.(mirror.layout)
    if (!images?.away || mirror.hidden) return []
    const sources = sourcePatterns(images.sources, project, mirror.id).map((s) => s.pattern.id)
    return sources.includes(host) ? [{ mirror, both: sources.includes(follower) }] : []
  })
}

/** The mirrors that have moved copies of a pattern across without one that goes with them: that follows by itself. */
export const moversOf = (host: string, project: Project, follower: string): Pattern[] =>
  awayMirrors(host, project, follower).flatMap(({ mirror, both }) => (both ? [] : [mirror]))

/** Whether a mirror moves both across: then the follower is laid out where its hosts were, and moved with them. */
export const takesBoth = (project: Project, host: string, follower: string): boolean =>
  awayMirrors(host, project, follower).some(({ both }) => both)
