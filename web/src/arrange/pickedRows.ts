import { computed, type ComputedRef } from 'vue'
import { useOutcomes } from '../stores/outcomes'
import { useSelection } from '../stores/selection'

/** The rows of the picked copies in their tables as they are now, by pattern; those that are not there are left out. */
export function usePickedRows(): ComputedRef<ReadonlyMap<string, ReadonlySet<number>>> {
  const outcomes = useOutcomes()
  const selection = useSelection()
  return computed(() => {
    const out = new Map<string, Set<number>>()
    for (const [id, keys] of selection.picks) {
      const table = outcomes.byId.get(id)?.table
      if (!table) continue
      const rows = [...keys].map((key) => table.rowOf(key)).filter((row) => row >= 0)
      out.set(id, new Set(rows))
    }
    return out
  })
}
