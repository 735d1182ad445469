import { definitionOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import { stepDefinitionOf } from '@hilera/core/steps/index'
import type { Reflection } from '@hilera/core/values/reflection'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/** Edits of one reflection: a pattern's layout, or a step of it. */
export interface ReflectionEdits {
  readonly recipe: (edit: (reflection: Reflection) => void) => Recipe
  readonly change: (what: string, edit: (reflection: Reflection) => void) => void
  readonly name: (what: string) => string
}

/** How a pattern mirrors: by a step, or by its layout where none is named. */
export function reflectionOf({ layout, steps }: Pattern, stepId?: string): Reflection | undefined {
  if (stepId === undefined) return definitionOf(layout).reflection?.(layout)
  const step = steps.find((s) => s.id === stepId)
  return step && stepDefinitionOf(step).reflection?.(step)
}

/** Edits of a pattern's mirror, shared by its sentence, its tools and its pins; of its layout where no step is named. */
export function useReflectionEdits(pattern: () => Pattern, stepId: () => string | undefined): ReflectionEdits {
  const document = useDocument()
  const recipe =
    (edit: (reflection: Reflection) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === pattern().id)
      const reflection = found && reflectionOf(found, stepId())
      if (reflection) edit(reflection)
    }
  const name = (what: string): string => `${what} of ${pattern().name}`
  return { recipe, name, change: (what, edit) => void document.change(name(what), recipe(edit)) }
}
