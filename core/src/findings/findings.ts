import type { Finding, Looked } from './definition'
import { findings } from './registry'

/** Patterns of more copies are not compared: that would take seconds. */
export const MOST_CHECKED = 20_000

/** Looks through what is shown for everything that can be wrong, the worst first. */
export function findingsOf(looked: Looked): Finding[] {
  const looks = Object.entries(findings).map(([what, definition]) => ({ what, look: definition.find(looked) }))
  const found: Finding[] = []
  for (const [i, pattern] of looked.project.patterns.entries()) {
    const outcome = looked.outcomes[i]
    if (pattern.hidden || outcome.table.count > MOST_CHECKED) continue
    for (const { what, look } of looks) {
      const came = look(pattern, outcome)
      if (came) found.push({ what, pattern: pattern.id, ...came })
    }
  }
  const weight = ({ what }: Finding): number => findings[what].weight
  return found.sort((a, b) => weight(b) - weight(a) || b.worst - a.worst)
}
