import type { Reflection } from '@hilera/core/values/reflection'
import type { Pattern } from '@hilera/core/model/pattern'
import type { Reflect } from '@hilera/core/steps/reflect/schema'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'

/** Edits of one reflection: a pattern's layout, or a step of it. */
export interface ReflectionEdits {
  readonly recipe: (edit: (reflection: Reflection) => void) => Recipe
  readonly change: (what: string, edit: (reflection: Reflection) => void) => void
  readonly name: (what: string) => string
}

/** Edits of a pattern's mirror, shared by its sentence, its tools and its pins; of its layout where no step is given. */
export function useReflectionEdits(pattern: () => Pattern, step: () => Reflect | undefined): ReflectionEdits {
  const document = useDocument()
  const recipe =
    (edit: (reflection: Reflection) => void): Recipe =>
    (project) => {
      const found = project.patterns.find((p) => p.id === pattern().id)
      const id = step()?.id
      if (id === undefined) {
        if (found?.layout.kind === 'mirror') edit(found.layout)
        return
      }
      const reflect = found?.steps.find((s) => s.id === id)
      if (reflect?.kind === 'reflect') edit(reflect)
    }
  const name = (what: string): string => `${what} of ${pattern().name}`
  return { recipe, name, change: (what, edit) => void document.change(name(what), recipe(edit)) }
}
