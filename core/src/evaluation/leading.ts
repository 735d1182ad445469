import { definitionOf } from '../layouts/index'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'
import { filesNamed, patternsNamed } from '../model/references'
import { setOf } from '../steps/index'
import { moversOf, sourcesOf } from './mirrorSources'

/** The patterns that must be worked out before one: it takes places from them, keeps clear of them, or follows them across a mirror. */
export function leadingPatterns(pattern: Pattern, project: Project): string[] {
  const there = new Set(project.patterns.map((p) => p.id))
  const { layout } = pattern
  const definition = definitionOf(layout)
  const host = definition.host?.(layout)
  const found = [
    ...sourcesOf(pattern, project).map((s) => s.pattern.id),
    ...patternsNamed(pattern, 'copies'),
    ...(host === undefined ? [] : moversOf(host, project, pattern.id).map((mover) => mover.id)),
  ]
  const others = [...new Set(found)].filter((id) => id !== pattern.id && there.has(id))
  // One that accompanies itself stands in a circle, which is told.
  return host === pattern.id ? [...others, host] : others
}

/** What a pattern rests on besides copies: guides and outlines of others, pictures, and the saved selections that its steps keep to. */
export function besides(pattern: Pattern, project: Project, fileOf: (file: string) => unknown): unknown[] {
  const guides = [...patternsNamed(pattern, 'guide')].flatMap((id) => {
    const near = project.patterns.find((p) => p.id === id)
    return [near?.layout, near?.place]
  })
  const sets = pattern.steps.flatMap((step) => {
    const id = setOf(step)
    return id === undefined ? [] : [project.sets.find((set) => set.id === id)?.copies[pattern.id]]
  })
  return [...guides, ...[...filesNamed(pattern)].map(fileOf), ...sets]
}
