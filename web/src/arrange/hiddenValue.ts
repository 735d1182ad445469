import { formatLength } from '@hilera/core/numbers/format'
import { bodiesOf } from '@hilera/core/placing/body'
import { axes } from '@hilera/core/values/values'
import { computed, type ComputedRef } from 'vue'
import { usePicked } from '../placing/picked'
import { hiddenAxis } from '../stage/views'
import { useDocument } from '../stores/document'
import { useOutcomes } from '../stores/outcomes'
import { useView } from '../stores/view'

/** What a flat view does not show: its axis, and where what is picked stands along it. */
export function hiddenValue(): ComputedRef<{ axis: string; name?: string; at?: string } | undefined> {
  const document = useDocument()
  const outcomes = useOutcomes()
  const picked = usePicked()
  const view = useView()
  return computed(() => {
    const axis = hiddenAxis[view.view]
    if (axis === undefined) return undefined
    const of = picked.marked
    const [body] = of
      ? bodiesOf({ project: outcomes.worked, outcomes: outcomes.patterns, supportOf: outcomes.supportOf }, [of])
      : []
    return {
      axis: axes[axis],
      ...(of && body && { name: picked.nameOf(of), at: formatLength(body.stands.move[axis], document.unit) }),
    }
  })
}
