import { sourcePatterns } from './mirrorSources'
import type { Pattern } from '../model/pattern'
import type { Project } from '../model/project'

/** The patterns whose copies a pattern leans on: its layout or a step takes places from them, or it keeps clear of them. */
export function leadingPatterns({ id, layout, steps, clears }: Pattern, project: Project): string[] {
  const kept = (clears ?? []).flatMap((c) => c.from)
  const colored = steps.flatMap((s) => (s.kind === 'vary' && s.by?.kind === 'colors' ? [s.by.pattern] : []))
  const there = [...kept, ...colored].filter((other) => other !== id && project.patterns.some((p) => p.id === other))
  return [...new Set([...leadingLayout({ id, layout }, project), ...there])]
}

function leadingLayout({ id, layout }: Pick<Pattern, 'id' | 'layout'>, project: Project): string[] {
  const { patterns } = project
  if (layout.kind === 'companion') return patterns.some((p) => p.id === layout.host) ? [layout.host] : []
  if (layout.kind !== 'mirror') return []
  const through = layout.planes.flatMap((p) => (p.through.kind === 'copy' ? [p.through.pattern] : []))
  const sources = sourcePatterns(layout.sources, project, id).map((s) => s.pattern.id)
  return [...new Set([...sources, ...through.filter((t) => t !== id && patterns.some((p) => p.id === t))])]
}

/** What the steps of a pattern rest on besides copies: the guides and outlines near which they reach, and pictures. */
export function stepsRestOn({ steps }: Pattern, project: Project, pictureOf: (file: string) => unknown): unknown[] {
  return steps.flatMap((step) => {
    if (step.kind !== 'vary') return []
    const from = step.reach?.from
    const near = from?.kind === 'pattern' ? project.patterns.find((p) => p.id === from.pattern) : undefined
    return [near?.layout, near?.place, step.by?.kind === 'picture' ? pictureOf(step.by.file) : undefined]
  })
}
