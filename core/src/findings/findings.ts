import type { Finding, Looked } from './definition'
import { findings } from './registry'

/** Looks through what is shown for everything that can be wrong, the worst first. */
export function findingsOf(looked: Looked): Finding[] {
  const found = Object.entries(findings).flatMap(([what, definition]) =>
    definition.find(looked).map((finding): Finding => ({ what, ...finding })),
  )
  const weight = ({ what }: Finding): number => findings[what].weight
  return found.sort((a, b) => weight(b) - weight(a) || b.worst - a.worst)
}
