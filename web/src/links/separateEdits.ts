import { backToPattern, makeSeparate, separateLoses } from '@hilera/core/links/separate'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Result, Sentence } from '@hilera/core/words'
import { usePatternEdits } from '../patterns/patternEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** Makes the copies of a pattern separate, and a pattern of them again. */
export function useSeparateEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const patterns = usePatternEdits()

  /** What would be lost, or why it cannot be. */
  const loses = (pattern: Pattern): Result<Sentence[]> =>
    separateLoses(pattern, outcomes.byId.get(pattern.id)?.table.count ?? 0)

  function separate(pattern: Pattern): void {
    const table = outcomes.byId.get(pattern.id)?.table
    if (!table) return
    const things = [...document.project.parts, ...document.project.patterns]
    document.change(`separate the copies of ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === pattern.id)
      if (found)
        makeSeparate(
          project,
          found,
          table,
          (thing) => things[thing].id,
          (thing) => things[thing].name,
        )
    })
    selection.pickPattern(pattern.id)
  }

  function back(pattern: Pattern): void {
    document.change(`pattern of ${pattern.name}`, patterns.recipe(pattern.id, backToPattern))
    selection.pickPattern(pattern.id)
  }

  return { loses, separate, backToPattern: back }
}
