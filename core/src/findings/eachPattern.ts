import type { Pattern } from '../model/pattern'
import type { Finding, Found, Looked, LookedAt } from './definition'

/** What came of looking at one pattern. */
export type FoundCopies = Pick<Finding, 'count' | 'worst' | 'rows'>

/** The patterns that are shown, with what they came to. */
export const shownOf = ({ project, outcomes }: Pick<Looked, 'project' | 'outcomes'>) =>
  project.patterns.flatMap((pattern, i) => (pattern.hidden ? [] : [{ pattern, outcome: outcomes[i] }]))

/**
 * Looks at one pattern that is shown after another, in order.
 *
 * @param begin called once for all of them; what it returns looks at one, and gives nothing where all is well
 */
export const inEachPattern =
  (begin: (looked: Looked) => (pattern: Pattern, outcome: LookedAt) => FoundCopies | undefined) =>
  (looked: Looked): Found[] => {
    const look = begin(looked)
    return shownOf(looked).flatMap(({ pattern, outcome }) => {
      const found = look(pattern, outcome)
      return found ? [{ pattern: pattern.id, ...found }] : []
    })
  }
