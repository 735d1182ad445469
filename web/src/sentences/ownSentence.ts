import { bind, type Item } from '@hilera/core/sentences/bind'
import { knowledge } from '@hilera/core/sentences/knowledge'
import type { Surroundings, Template } from '@hilera/core/sentences/nodes'
import { produce } from 'immer'
import { computed, type ComputedRef, type Ref } from 'vue'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import type { Changing, SentenceEdits } from './edits'

/**
 * A sentence to act by (pick, swap, line up, fold …): its values say what is to be done and are none of the document's. What
 * is shown and edited is the same as in any other sentence.
 *
 * @param value plain frozen data; every change puts another in its place
 */
export function useOwnSentence<T extends object>(
  template: () => Template<T>,
  value: Ref<T>,
  more: () => Partial<Surroundings> = () => ({}),
): { items: ComputedRef<readonly Item<T>[]>; edits: SentenceEdits<T> } {
  const document = useDocument()
  const changed = (from: T, recipe: Recipe): void =>
    void (value.value = produce(from, recipe as unknown as (t: T) => void))
  const changing: Changing = {
    change(_, recipe) {
      changed(value.value, recipe)
      return Promise.resolve(undefined)
    },
    begin() {
      const base = value.value
      return {
        update(recipe) {
          changed(base, recipe)
          return Promise.resolve(undefined)
        },
        commit() {},
        cancel: () => void (value.value = base),
      }
    },
  }
  const recipe = (edit: (root: T) => void): Recipe => edit as unknown as Recipe
  const items = computed(() =>
    bind(
      template(),
      { root: value.value, into: (t: T) => t },
      { knows: knowledge, project: document.project, unit: document.unit, ...more() },
    ),
  )
  return {
    items,
    edits: {
      changing,
      recipe,
      name: (undo) => undo ?? '',
      change: (_, edit) => changing.change('', recipe(edit)),
    },
  }
}
