import type { Pattern } from '../model/pattern'
import { type Problem, refused } from '../words'

/**
 * What is wrong with patterns each of which contains the next, and the last the first. It is told from the same one on, whichever of them was
 * worked out first: the list may be put in another order.
 *
 * @param cycle one or more patterns, each once
 */
export function cycleProblem(cycle: readonly Pattern[]): Problem {
  const first = cycle.reduce((least, { id }, i) => (id < cycle[least].id ? i : least), 0)
  const names = [...cycle.slice(first), ...cycle.slice(0, first + 1)].map((p) => p.name)
  return refused(`${names.join(' → ')}: a pattern cannot contain itself. Deal something else in one of them.`).problem
}
