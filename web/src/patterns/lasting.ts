import { type LayoutKind, type LayoutOf, type Start, definitionOf } from '@hilera/core/layouts/index'
import type { Pattern } from '@hilera/core/model/pattern'
import type { StepStart } from '@hilera/core/steps/definition'
import { type Step, type StepKind, stepDefinitionOf } from '@hilera/core/steps/index'
import { beginLike, lastingOf } from '@hilera/core/values/lasting'
import { useLocalStorage } from '@vueuse/core'
import { watch } from 'vue'
import type { z } from 'zod'
import { newId } from '../names'
import { useSelection } from '../stores/selection'

/** What is lasting of the step and of the layout of each kind that was last set. */
const last = useLocalStorage<Record<string, unknown>>('hilera.lasting', {})
/** As those that began like the last one would have begun without it; another object takes their place with the first change. */
const begun = new WeakMap<object, object>()

interface Lasting<T> {
  readonly schema: z.ZodType<T>
  readonly lasting?: readonly (keyof T & string)[]
}

function taken<T extends object>({ schema, lasting }: Lasting<T>, fresh: T, of: string): T {
  const like = lasting ? beginLike(schema, lasting, fresh, last.value[of]) : fresh
  if (like !== fresh) begun.set(like, fresh)
  return like
}
function keep<T extends object>({ lasting }: Lasting<T>, own: T, of: string): void {
  if (lasting) last.value = { ...last.value, [of]: lastingOf(own, lasting) }
}

/** A new step, as the last one of its kind was left. */
export function beginStep(kind: StepKind, start: StepStart): Step {
  const definition = stepDefinitionOf({ kind })
  return taken(definition, definition.begin(newId('step'), start), `step ${kind}`)
}

/** A new layout, as the last one of its kind was left, fitted to its part. */
export function beginLayout<K extends LayoutKind>(kind: K, start: Start): LayoutOf<K> {
  const definition = definitionOf({ kind })
  return taken(definition, definition.begin(start), `layout ${kind}`) as LayoutOf<K>
}

/** What a step or a layout would be without the last one, as long as nothing of it was changed. */
export const freshOf = <T extends object>(own: T): T | undefined => begun.get(own) as T | undefined

/** Keeps what is set of the picked pattern, for the next of its kind. */
export function useLasting(): void {
  const selection = useSelection()
  watch(
    () => selection.pattern,
    (now: Pattern | undefined, before: Pattern | undefined) => {
      if (!now || now.id !== before?.id) return
      const { kind } = now.layout
      if (now.layout !== before.layout && kind === before.layout.kind)
        keep(definitionOf({ kind }), now.layout, `layout ${kind}`)
      for (const step of now.steps) {
        const was = before.steps.find(({ id }) => id === step.id)
        if (was && was !== step) keep(stepDefinitionOf(step), step, `step ${step.kind}`)
      }
    },
  )
}
