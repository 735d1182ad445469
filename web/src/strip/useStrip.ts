import type { Pattern } from '@hilera/core/model/pattern'
import type { Measure } from '@hilera/core/values/spacing'
import type { Unrolled } from '@hilera/core/layouts/unrolled'
import { computed } from 'vue'
import { useDragGesture } from '../patterns/dragGesture'
import { nudgeStep } from '../sentences/steps'
import { useDocument } from '../stores/document'
import type { Recipe } from '../stores/history'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'
import { useView } from '../stores/view'
import type { PatternUpdate } from '../worker/messages'

/** What was grabbed on a band: a copy, the gap after one, or the end of the room. */
export interface Grabbed {
  readonly kind: 'copy' | 'gap' | 'end'
  readonly index: number
}

/** What the strips of all layouts share: the unrolled pattern, picking a copy, and dragging along a band. */
export function useStrip<K extends Unrolled['as']>(
  as: K,
  props: { readonly pattern: Pattern; readonly outcome: PatternUpdate },
) {
  const document = useDocument()
  const outcomes = useOutcomes()
  const selection = useSelection()
  const view = useView()
  const drag = useDragGesture()

  /** The picked pattern laid out flat, once that is known. */
  const unrolled = computed(() => {
    const found = outcomes.strip?.id === props.pattern.id ? outcomes.strip.strip : undefined
    return found?.as === as ? (found as Extract<Unrolled, { as: K }>) : undefined
  })

  /** How the figures are read: as chosen for all strips, or as the pattern's own spacing is. */
  const measureOr = (own: () => Measure) =>
    computed<Measure>({ get: () => view.stripMeasure ?? own(), set: (value) => void (view.stripMeasure = value) })

  const pick = (row: number, event: MouseEvent): void =>
    selection.clickCopy(props.pattern.id, props.outcome.table.keyOf(row), event)
  const picked = computed(() => {
    const keys = selection.picks.get(props.pattern.id)
    return keys && new Set([...keys].map((key) => props.outcome.table.rowOf(key)))
  })

  /** Drags along a band: `edit` gives the recipe for a way in metres, `whole` rounds to whole steps (not with Alt). */
  function dragAlong(
    event: PointerEvent,
    label: string,
    perMetre: number,
    edit: (metres: number, whole: (length: number) => number) => Recipe | undefined,
  ): void {
    if (event.button !== 0) return
    drag(event, label, (now, gesture) => {
      const per = Math.round(1 / nudgeStep('length', document.unit))
      const whole = (length: number): number => (now.altKey ? length : Math.round(length * per) / per)
      const recipe = edit((now.clientX - event.clientX) / perMetre, whole)
      if (recipe) gesture.update(recipe)
    })
  }

  return { unrolled, measureOr, pick, dragAlong, picked }
}
