import { giveStepToGroup, partShared, sharersOf } from '@hilera/core/links/shared'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Group } from '@hilera/core/model/project'
import { type Step, type StepKind, type StepOf, inPhases, isStep, stepDefinitionOf } from '@hilera/core/steps/index'
import { spread } from '../groups/shared'
import { beginStep } from '../patterns/lasting'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/** How a step is called in labels of undo and of tools. */
export const nameOfStep = (step: { readonly kind: StepKind }): string => stepDefinitionOf(step).words

/** Edits of a pattern's steps. */
export function useStepEdits() {
  const document = useDocument()

  const inSteps =
    (patternId: string, edit: (steps: Step[]) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === patternId)
      if (found) edit(found.steps)
    }
  const label = (pattern: Pattern, step: { readonly kind: StepKind }, doing = ''): string =>
    `${doing}${nameOfStep(step).toLowerCase()} of ${pattern.name}`

  /** Adds a step at the end of its phase. */
  function add(pattern: Pattern, kind: StepKind): void {
    const definition = stepDefinitionOf({ kind })
    const step = beginStep(kind, { grounds: document.project.grounds.map((g) => g.id) })
    const recipe = inSteps(pattern.id, (steps) => {
      const sorted = inPhases([...steps, step])
      steps.splice(sorted.indexOf(step), 0, step)
    })
    // What adds images is seen as a ghost before it is accepted.
    if (definition.isProposed) document.propose(label(pattern, step, 'add '), pattern.id, recipe)
    else document.change(label(pattern, step, 'add '), recipe)
  }
  /** Gives one step to all patterns of a group: it stays one, wherever it is changed. */
  function addToAll(group: Group, kind: StepKind): void {
    const step = beginStep(kind, { grounds: document.project.grounds.map((g) => g.id) })
    document.change(`${nameOfStep(step).toLowerCase()} all of ${group.name}`, (project) =>
      giveStepToGroup(project, group.id, step),
    )
  }
  /** Takes a step away, from all that share it. */
  function remove(pattern: Pattern, step: Step): void {
    document.change(label(pattern, step, 'remove '), (project) => {
      for (const found of sharersOf(project, pattern.id, step.id, 'steps')) {
        found.steps = found.steps.filter(({ id }) => id !== step.id)
        // What changed of it in time goes with it.
        const motion = found.motion?.filter((movement) => !('of' in movement && movement.of === step.id))
        if (motion?.length) found.motion = motion
        else delete found.motion
      }
      partShared(project, pattern.id, step.id, 'steps')
    })
  }
  /** Moves a step one place earlier (−1) or later (1) among those of its phase. */
  function shift(pattern: Pattern, step: Step, by: -1 | 1): void {
    document.change(
      label(pattern, step, 'order of '),
      inSteps(pattern.id, (steps) => {
        const { phase } = stepDefinitionOf(step)
        const own = steps.filter((s) => stepDefinitionOf(s).phase === phase)
        const other = own[own.findIndex((s) => s.id === step.id) + by]
        if (!other) return
        const [at, to] = [step.id, other.id].map((id) => steps.findIndex((s) => s.id === id))
        ;[steps[at], steps[to]] = [steps[to], steps[at]]
      }),
    )
  }
  /** Where a step stands among those of its phase, the only ones with which it can change places. */
  function place(pattern: Pattern, step: Step): { first: boolean; last: boolean } {
    const { phase } = stepDefinitionOf(step)
    const own = pattern.steps.filter((s) => stepDefinitionOf(s).phase === phase)
    const at = own.findIndex((s) => s.id === step.id)
    return { first: at === 0, last: at === own.length - 1 }
  }
  /** An edit of one step of a known kind. */
  const recipe = <K extends StepKind>(pattern: Pattern, kind: K, id: string, edit: (step: StepOf<K>) => void): Recipe =>
    anyRecipe(pattern, id, (step) => {
      if (isStep(kind, step)) edit(step)
    })
  /** An edit of what all steps share. */
  function anyRecipe(pattern: Pattern, id: string, edit: (step: Step) => void): Recipe {
    const own = inSteps(pattern.id, (steps) => {
      const found = steps.find((s) => s.id === id)
      if (found) edit(found)
    })
    return spread(pattern, own)
  }

  return { add, addToAll, remove, shift, place, recipe, anyRecipe, label }
}
