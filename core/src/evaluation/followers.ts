import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { restsOn } from '../model/references'
import { leadingPatterns } from './leading'

/** The patterns that change with another: its companions, its mirrors, what repeats it or keeps clear of it. */
export function followersOf(project: Project, id: string): Set<string> {
  const found = new Set<string>()
  const follows = (pattern: Pattern, leader: string): boolean =>
    restsOn(pattern, leader) || leadingPatterns(pattern, project).includes(leader)
  const walk = (leader: string): void => {
    for (const p of project.patterns)
      if (!found.has(p.id) && p.id !== id && follows(p, leader)) walk((found.add(p.id), p.id))
  }
  walk(id)
  return found
}
