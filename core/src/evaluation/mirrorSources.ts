import { definitionOf } from '../layouts/index'
import type { MirrorSource } from '../values/reflection'
import { type Pattern, chancesOf } from '../model/pattern'
import type { Project } from '../model/project'

/** A pattern that is mirrored, all of it or only the copies of these slots. */
export interface SourcePattern {
  readonly pattern: Pattern
  readonly slots?: readonly string[]
  /** Under which the slots of its images are named: other among the sources of one mirror, and the same in every project. */
  readonly imagesAs: string
}

/** The patterns that sources come to, each once; a mirror is never among its own. */
export function sourcePatterns(
  sources: readonly MirrorSource[],
  project: Pick<Project, 'patterns' | 'groups' | 'sets'>,
  own: string,
): SourcePattern[] {
  const found = new Map<string, Omit<SourcePattern, 'imagesAs'>>()
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
  return withNames([...found.values()])
}

/**
 * Images are named as chances are drawn: what is done to them by hand, and what chance makes of them, stays with a pattern that is brought
 * from another project or duplicated together with its mirror. Of several that have one name (a pattern and its duplicate) the later
 * ones get a number.
 */
function withNames(found: readonly Omit<SourcePattern, 'imagesAs'>[]): SourcePattern[] {
  const times = new Map<string, number>()
  return found.map((source) => {
    const name = chancesOf(source.pattern)
    const before = times.get(name) ?? 0
    times.set(name, before + 1)
    return { ...source, imagesAs: before === 0 ? name : `${name} ${before + 1}` }
  })
}

/** The sources of a pattern whose layout mirrors; none of another. */
export function sourcesOf({ id, layout }: Pattern, project: Project): SourcePattern[] {
  const images = definitionOf(layout).images?.(layout)
  return images ? sourcePatterns(images.sources, project, id) : []
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
  for (const mirror of project.patterns) {
    const images = definitionOf(mirror.layout).images?.(mirror.layout)
    if (!images?.away || mirror.hidden) continue
    for (const { pattern, slots } of sourcesOf(mirror, project))
      moved.set(pattern.id, [...(moved.get(pattern.id) ?? []), slots ?? 'all'])
  }
  return moved
}

/** The mirrors without which copies of a pattern would stand elsewhere: those that have moved them across. */
export const awayMirrorsOf = (id: string, project: Project): Pattern[] =>
  awayMirrors(id, project, id).map(({ mirror }) => mirror)

/** The mirrors that have moved copies of a pattern across, with whether each took along one that goes with them. */
function awayMirrors(host: string, project: Project, follower: string): { mirror: Pattern; both: boolean }[] {
  return project.patterns.flatMap((mirror) => {
    const images = mirror.id === follower ? undefined : definitionOf(mirror.layout).images?.(mirror.layout)
    if (!images?.away || mirror.hidden) return []
    const sources = sourcesOf(mirror, project).map((s) => s.pattern.id)
    return sources.includes(host) ? [{ mirror, both: sources.includes(follower) }] : []
  })
}

/** The mirrors that have moved copies of a pattern across without one that goes with them: that follows by itself. */
export const moversOf = (host: string, project: Project, follower: string): Pattern[] =>
  awayMirrors(host, project, follower).flatMap(({ mirror, both }) => (both ? [] : [mirror]))

/** Whether a mirror moves both across: then the follower is laid out where its hosts were, and moved with them. */
export const takesBoth = (project: Project, host: string, follower: string): boolean =>
  awayMirrors(host, project, follower).some(({ both }) => both)
