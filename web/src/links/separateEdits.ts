import { backToPattern, makeSeparate, separateLoses } from '@hilera/core/links/separate'
import { InstanceTable } from '@hilera/core/instances'
import type { Project } from '@hilera/core/model/project'
import { twinIn as twinFor } from '@hilera/core/links/twin'
import { newId } from '../names'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Result, Sentence } from '@hilera/core/words'
import { usePatternEdits } from '../patterns/patternEdits'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { keepBefore } from '../versions/keepBefore'

/** The twin of a part, added to the project where it has none. */
export const twinIn = (project: Project, partId: string): string => twinFor(project, partId, () => newId('part'))

/** Makes the copies of a pattern separate, and a pattern of them again. */
export function useSeparateEdits() {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const patterns = usePatternEdits()

  /** What would be lost, or why it cannot be. */
  const loses = (pattern: Pattern): Result<Sentence[]> =>
    separateLoses(
      pattern,
      outcomes.byId.get(pattern.id)?.table ?? new InstanceTable(),
      (thing) => thing < outcomes.worked.parts.length,
    )

  function separate(pattern: Pattern): void {
    const stood = outcomes.byId.get(pattern.id)
    if (!stood) return
    const { things } = outcomes
    keepBefore(`before separating the copies of ${pattern.name}`, document.id, document.project)
    document.change(`separate the copies of ${pattern.name}`, (project) => {
      const found = project.patterns.find((p) => p.id === pattern.id)
      if (found)
        makeSeparate(
          project,
          found,
          stood,
          (thing) => things[thing].id,
          (thing) => things[thing].name,
          (thing) => twinIn(project, things[thing].id),
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
