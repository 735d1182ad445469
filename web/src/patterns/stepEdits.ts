import type { Pattern } from '@hilera/core/model/pattern'
import type { Step, StepKind } from '@hilera/core/steps/index'
import { newId } from '../names'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { stepWords } from './stepWords'

/** Edits of a pattern's shaping steps. */
export function useStepEdits() {
  const document = useDocument()

  const inSteps =
    (patternId: string, edit: (steps: Step[]) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) edit(found.steps)
    }
  const label = (pattern: Pattern, step: Pick<Step, 'kind'>, doing = ''): string =>
    `${doing}${stepWords[step.kind].words.toLowerCase()} of ${pattern.name}`

  function add(pattern: Pattern, kind: StepKind): void {
    const step = stepWords[kind].start(newId('step'))
    const recipe = inSteps(pattern.id, (steps) => void steps.push(step))
    // What a mirror comes to is seen as a ghost before it is accepted.
    if (kind === 'reflect') document.propose(label(pattern, step, 'add '), pattern.id, recipe)
    else document.change(label(pattern, step, 'add '), recipe)
  }
  function remove(pattern: Pattern, step: Step): void {
    document.change(
      label(pattern, step, 'remove '),
      inSteps(
        pattern.id,
        (steps) =>
          void steps.splice(
            steps.findIndex((s) => s.id === step.id),
            1,
          ),
      ),
    )
  }
  /** Moves a step one place earlier (−1) or later (1). */
  function shift(pattern: Pattern, step: Step, by: -1 | 1): void {
    document.change(
      label(pattern, step, 'order of '),
      inSteps(pattern.id, (steps) => {
        const at = steps.findIndex((s) => s.id === step.id)
        if (at + by >= 0 && at + by < steps.length) steps.splice(at + by, 0, ...steps.splice(at, 1))
      }),
    )
  }
  /** An edit of one step of a known kind. */
  const recipe = <K extends StepKind>(
    pattern: Pattern,
    kind: K,
    id: string,
    edit: (step: Extract<Step, { kind: K }>) => void,
  ): Recipe =>
    inSteps(pattern.id, (steps) => {
      const found = steps.find((s) => s.id === id)
      if (found?.kind === kind) edit(found as Extract<Step, { kind: K }>)
    })

  return { add, remove, shift, recipe, label }
}
